/** From and to, hours from the beginning. */
export type Window = readonly [number, number];

export interface CalendarTask {
  id: string;
  /** Of work; of calendar time where nobody works on it. */
  hours: number;
  /** Must fit into one window. */
  unbroken?: boolean;
  /** Any one of these works on it; anybody when left out; nobody where it is empty: it dries, or is on its way. */
  by?: readonly string[];
  /** Units of each resource, from its first piece to its last. */
  needs?: Readonly<Record<string, number>>;
  /** Only in dry hours. */
  dry?: boolean;
  /** Paid when it starts, minor units. */
  outlay?: number;
  after?: readonly CalendarLink[];
  /** Not before this hour. */
  release?: number;
}
export interface CalendarLink {
  id: string;
  /** Calendar hours after the other's end, at least. */
  lag?: number;
  /** Calendar hours after the other's end, at most: kept where possible. */
  within?: number;
}

export interface CalendarInput {
  tasks: readonly CalendarTask[];
  /** When each is there. */
  people: Readonly<Record<string, readonly Window[]>>;
  /** Units that are there. */
  resources?: Readonly<Record<string, number>>;
  /** When it is dry; always when left out. */
  dry?: readonly Window[];
  /** What comes in when, minor units. Without it outlays are not looked at. */
  cash?: readonly { at: number; amount: number }[];
  /** How much search: about so many seconds on a machine with two cores; 1 when left out. The result does not depend on the machine. */
  seconds?: number;
}

export interface Calendar {
  tasks: Record<string, { pieces: [number, number][]; by: string | null }>;
  /** Hour by which all is done. */
  finish: number;
  /** No plan can be done sooner. */
  lowerBound: number;
  /** Links that are stretched beyond their most, and by how many hours. */
  broken: { task: string; after: string; late: number }[];
}
