/** Something that happened on a car. */
export interface EventView {
  id: string;
  at: string;
  by: string;
  /** Station that it belongs to. */
  subject: string;
  text: string;
  /** How it is undone from here, in a word, and what is sent for it; null where that is not possible, or not any more. */
  undo: { says: string; path: string; body: Record<string, unknown> } | null;
}
export interface Timeline {
  events: EventView[];
  /** Older ones than these are there. */
  more: boolean;
  /** Stations that have something in it, and how much. */
  subjects: { subject: string; count: number }[];
}

/** What stations are called in a timeline; every word that a person reads for one stands here. */
export const SUBJECT_WORDS: Readonly<Record<string, string>> = {
  garage: 'Car',
  body: 'Body plan',
  survey: 'Survey',
  verdict: 'Decisions',
  order: 'Orders',
  cut: 'Cut and joints',
  fit: 'Trial fits',
  weld: 'Welds',
  hold: 'Measurements',
  close: 'Coats',
  job: 'Job',
  record: 'Record',
};

/** A part of a repair record: what was done at one repair, in words. */
export interface RecordPart {
  title: string;
  lines: string[];
  /** Of what was repaired, oldest first. */
  pictures?: RecordPicture[];
}
export interface RecordPicture {
  id: string;
  when: 'before' | 'during' | 'after';
  takenAt: string;
  note: string;
}
export const PICTURE_WORDS: Readonly<Record<RecordPicture['when'], string>> = {
  before: 'Before',
  during: 'At work',
  after: 'After',
};
export interface RecordView {
  car: string;
  shop: string;
  on: string;
  parts: RecordPart[];
  /** What was not looked at: nothing is said of it. */
  notInspected: string[];
  deference: string;
}

/** A link by which a stranger reads the record of one car. */
export interface ShareView {
  id: string;
  label: string;
  by: string;
  createdAt: string;
  expiresAt: string;
  /** Null as long as it holds. */
  revokedAt: string | null;
  opened: number;
}
export interface ShareInput {
  label: string;
  /** Days for which it holds. */
  days: number;
}
export interface NewShare {
  shares: ShareView[];
  /** Shown once; only a hash of it is kept. */
  token: string;
}
