import type { Closing } from '@aspecta/core/repair';
import type {
  HandProcess,
  Holding,
  InTurn,
  Position,
  StepKind,
  Strategy,
  WeldMaterial,
  WeldPlan,
} from '@aspecta/core/weld';

/** How a repair is welded; what is null is taken by the sheet and the process. Lengths mm. */
export interface WeldSettingsInput {
  process: HandProcess;
  /** Of joints that are not welded in another one. */
  position: Position;
  /** °C */
  handWarm: number;
  strategy: Strategy;
  /** Of the sheet that the piece is welded to, where it differs. */
  other: number | null;
  /** Between tacks. */
  pitch: number | null;
  stitch: number | null;
  /** Of a plug's hole. */
  hole: number | null;
  holding: Holding;
  /** A copper bar is held behind every joint: it takes heat away, and keeps thin metal from blowing through. */
  copper: boolean;
  /** Joints that are welded in another position, by their places. */
  positions: { at: [number, number]; position: Position }[];
  /** Names of welds that come first of their round, and of those that are left out. */
  first: string[];
  barred: string[];
}

/** How this shop last welded sheet of the same kind: what a new plan begins with. */
export interface UsualWeld {
  input: WeldSettingsInput;
  /** The panel and the car on which it was; null where nothing of this kind was welded yet, and only the house rules speak. */
  last: { panel: string; car: string } | null;
  /** Settings of it that are house rules. */
  ruled: ('process' | 'strategy' | 'holding' | 'heat')[];
}

/** A plan that another one has taken the place of when welding had begun; its welds are in the metal. */
export interface EarlierWeld {
  steps: number;
  done: { n: number; at: string; by: string }[];
  reason: string;
  by: string;
  at: string;
}

export interface WeldPlanView {
  repairId: string;
  panel: string;
  input: WeldSettingsInput;
  plan: WeldPlan;
  /** Steps that are done, with the time of the server. */
  done: { n: number; at: string; by: string }[];
  /** Who has read the cautions, and when. */
  acknowledged: { by: string; at: string } | null;
  version: number;
  /** The joints for which this was planned. */
  joints: PlannedJoint[];
  /** The joints or the sheet are not any more those that this was planned for: moved, closed in another way, or none at all. */
  moved: boolean;
  /** What is welded: mm of the thinner of two sheets and of the other, where that differs; °C of the workshop. */
  sheet: { thickness: number; other: number | null; material: WeldMaterial; ambient: number };
  /** Plans before this one of which welds were done, oldest first. */
  earlier: EarlierWeld[];
}

/** The plan of the same repair on the other side, to which one goes over while this side cools. */
export interface OtherSideView {
  repairId: string;
  name: string;
  plan: WeldPlanView;
}

/** Both sides of the car welded in turn. */
export interface BothSidesView {
  /** Of this side. */
  name: string;
  /** The same repair on the other side; null where there is none. */
  other: { repairId: string; name: string; planned: boolean } | null;
  /** What is left of both plans, side 0 is this one; null as long as one has no plan. */
  turn: InTurn | null;
}

/** A joint as it was planned, with its line in mm. */
export interface PlannedJoint {
  points: [number, number][];
  closed: boolean;
  /** As a person reads it. */
  name: string;
  /** As built. */
  kind: string;
  closing: Closing;
  welds: number;
  sheets?: number | undefined;
}

export const weldDefaults: WeldSettingsInput = {
  process: 'mig',
  position: 'flat',
  handWarm: 50,
  strategy: 'coolest',
  other: null,
  pitch: null,
  stitch: null,
  hole: null,
  holding: 'clamps',
  copper: false,
  positions: [],
  first: [],
  barred: [],
};

/** What a step is called, one and several; every word that a person reads for them stands here. */
export const STEP_WORDS: Readonly<Record<StepKind, readonly [string, string]>> = {
  prepare: ['Prepare', 'preparations'],
  bolt: ['Bolts', 'rows of bolts'],
  turn: ['Turn the car', 'turns of the car'],
  tack: ['Tack', 'tacks'],
  plug: ['Plug', 'plugs'],
  spot: ['Spot', 'spots'],
  stitch: ['Stitch', 'stitches'],
  hem: ['Fold the hem', 'hems'],
  braze: ['Braze', 'brazed runs'],
  rivet: ['Rivets', 'rows of rivets'],
  hole: ['Screw hole', 'screw holes'],
  check: ['Check', 'checks'],
  dress: ['Dress', 'rounds of dressing'],
  seal: ['Prime and seal', 'coats'],
};
/** What the strategies are called. */
export const STRATEGY_WORDS: Readonly<Record<Strategy, string>> = {
  coolest: 'Coolest place next',
  skip: 'Skip',
  backstep: 'Backstep',
  continuous: 'Along the seam',
};
/** What the processes are called. */
export const PROCESS_WORDS: Readonly<Record<HandProcess, string>> = { mig: 'MIG', tig: 'TIG', gas: 'Gas' };
export const POSITION_WORDS: Readonly<Record<Position, string>> = {
  flat: 'Flat',
  vertical: 'Vertical',
  overhead: 'Overhead',
};
/** How a new piece is held until it is welded. */
export const HOLDING_WORDS: Readonly<Record<Holding, string>> = {
  clamps: 'Clamps',
  screws: 'Screws through both sheets',
};
