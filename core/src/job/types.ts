import type { CoatSystems } from '../close/index.ts';
import type { BodyPlan } from '../body/index.ts';
import type { Metalwork } from '../repair/index.ts';
import type { OrderState } from '../order/index.ts';
import type { OptionId } from '../verdict/index.ts';

/** What kind of work a step is, in the order in which a repair goes through them. */
export const STEP_KINDS = [
  'decide',
  'order',
  'delivery',
  'safe',
  'baseline',
  'brace',
  'check',
  'rework',
  'access',
  'strip',
  'open',
  'look',
  'behind',
  'make',
  'precoat',
  'fit',
  'weld',
  'dress',
  'treat',
  'prime',
  'cure',
  'fill',
  'seal',
  'surface',
  'paint',
  'harden',
  'cover',
  'refit',
  'measure',
  'unbrace',
  'find',
  'own',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** What a step waits for, and why, in one sentence. */
export interface Link {
  id: string;
  why: string;
  /** Calendar hours after its end, at least. */
  lag?: number;
  /** Calendar hours after its end, at most. */
  within?: number;
}

export interface JobStep {
  /** Keeps its name when decisions change: what a person has said of it stays with it. */
  id: string;
  kind: StepKind;
  repair: string | null;
  panel: string | null;
  title: string;
  /** Of work; of calendar time where nobody works on it. */
  hours: number;
  /** Nobody works on it: it dries, or is on its way. */
  waits: boolean;
  after: Link[];
  /** Only in the dry: electric welding and coating. */
  dry: boolean;
  /** What must be there and is only once: the welder. */
  needs: string[];
  /** Share that is known to be done, from what was ticked at the station itself; 1 is done. */
  share: number;
  /** That share is written down elsewhere, in the order book: what comes later does not pass it. */
  recorded?: true;
  /** The panel of the other side that has taught its hours. */
  like?: string;
  /** Cavities that are shut for good by it. */
  closes: string[];
  /** Where it is done in the application, below the car. */
  path: string;
}

/** What is bought, as the job needs it: how far it has come, when it is here, the work on it before it can be used. */
export interface OrderedPart {
  state: OrderState;
  leadHours: number;
  /** Nothing is ordered for it any more: what came did not serve, or was withdrawn. */
  missing?: boolean;
  /** Nobody has said a day: its hours are a guess. */
  undated?: boolean;
  reworkHours?: number;
}

/** A repair that was decided, as the job needs it. */
export interface JobRepair {
  id: string;
  panel: string;
  /** Sheets of the panel that it is on; the outermost where it is left out. */
  layers?: readonly string[] | undefined;
  choice: OptionId;
  done: boolean;
  /** Hours that it was decided on, middle of the range. */
  hours: number;
  /** What those hours consist of, by the names of the counted work. */
  work: readonly { name: string; hours: number }[];
  /** The bought panel's line; null where nothing is bought. */
  order: OrderedPart | null;
  /** Shares that were ticked: of its fasteners opened, of its weld plan done; null where there is none. */
  opened: number | null;
  welded: number | null;
  /** What the same steps took on the other side, by kind, h, and its name. */
  took?: { panel: string; hours: Partial<Record<StepKind, number>> } | undefined;
  /** What comes off so that one gets at it, and goes back: hours. */
  access?: { what: readonly string[]; off: number; on: number } | undefined;
  /** How far its welds are dressed, by the straight edge; left out where nobody has read it. */
  dressed?: number | undefined;
  /** How far its trial fits have come; left out where none was made. */
  fitted?: number | undefined;
  /** Shares that are coated: of the faces that its welds shut, of those that stay in reach, and of what lies over the primer, of the paint; null where it has none. */
  coated?: { behind: number | null; primed: number | null; covered: number | null; painted?: number | null };
}

/** Of the reference measurements, the braces fitted, the check after the welds, the braces taken out: 0 to 1. */
export interface HeldShares {
  baseline: number;
  braced: number;
  measured: number;
  unbraced: number;
}

/** What a person has added: hours, and after which steps. */
export interface OwnStep {
  id: string;
  title: string;
  hours: number;
  after: readonly string[];
  /** Steps that wait for it. */
  before?: readonly string[];
  /** It passes by the clock. */
  waits?: boolean;
  dry?: boolean;
}

export interface JobInput {
  body: BodyPlan;
  repairs: readonly JobRepair[];
  /** What is ordered that belongs to no repair: brackets, sheet, wire, paint. */
  parts?: readonly { id: string; title: string; order: OrderedPart }[];
  /** Finds that are open. */
  finds: readonly { id: string; panel: string; text: string }[];
  /** Panels with damage of which nothing is decided. */
  undecided: readonly string[];
  own?: readonly OwnStep[];
  /** Shares that are known to be done of what concerns the frame of the car. */
  held?: Partial<HeldShares>;
  /** Each panel that is seen is painted after its repair; else paint is left for later. */
  paints?: boolean;
  /** How the shop works on metal; as is usual where it is left out. */
  metalwork?: Metalwork;
  /** What goes onto each side of the metal; as is usual where it is left out. */
  systems?: CoatSystems;
  house?: Partial<JobHouse>;
}

/** Hours of what is not counted by the metre; common practice, no published source (T-19, T-20, T-44). */
export interface JobHouse {
  safe: number;
  baseline: number;
  brace: number;
  measure: number;
  unbrace: number;
  order: number;
  check: number;
  look: number;
  seal: number;
  find: number;
  decide: number;
  /** Of a panel that is seen: what is low filled and blocked; surfacer put on and blocked flat; painted. */
  fill: number;
  surface: number;
  paint: number;
  /** What goes over the primer: stone chip, underbody coat, wax. */
  cover: number;
  /** Calendar hours a coat dries. */
  cure: number;
  /** Calendar hours until what lies over the primer bears handling and weather. */
  harden: number;
  /** Calendar hours a converter hardens before anything goes over it. */
  convert: number;
  /** Calendar hours bare metal may stand. */
  bare: number;
}
export const jobDefaults: JobHouse = {
  safe: 1,
  baseline: 1.5,
  brace: 2,
  measure: 1,
  unbrace: 0.5,
  order: 0.25,
  check: 0.5,
  look: 0.25,
  seal: 0.4,
  cover: 0.4,
  fill: 0.75,
  surface: 1,
  paint: 1.5,
  find: 0.5,
  decide: 0.25,
  cure: 24,
  harden: 24,
  convert: 24,
  bare: 48,
};
