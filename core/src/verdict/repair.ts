import type { WayToSheet } from '../body/index.ts';
import type { JointFacts, Metalwork, Paces } from '../repair/index.ts';
import { usualLimits, type ZoneClass } from '../survey/index.ts';

/** What is known of the damage and the panel when the options are weighed. Lengths mm, areas mm². */
export interface Repair {
  panel: {
    name: string;
    area: number;
    /** Length of the joints that hold the whole panel in the body. */
    jointLength: number;
    /** As-built spots in those joints. */
    spotWelds: number;
    /** Those joints one by one; they take the place of length and spots where they are given. */
    joints?: readonly JointFacts[];
    /** Bolts instead of welds: the panel is unbolted. */
    bolted: boolean;
    thickness: number;
    /** Steel when left out. */
    material?: 'steel' | 'aluminium';
    curvature: 'flat' | 'single' | 'double';
    structural: boolean;
    visible: boolean;
  };
  /** Damage to be taken out: zones that overlap or lie so close that one patch takes them are one. */
  zones: readonly RepairZone[];
  /** How cuts in the sheet are closed; butted where it is left out. */
  closing?: 'butt' | 'lap' | 'joggle';
  /** How the shop works on metal; as is usual where it is left out. */
  metalwork?: Metalwork;
  /** Damage beside it that stays and is treated, mm² (how far is cut). */
  left?: number;
  /** The lowest edge of a hollow that the repair shuts, mm: of the patches, and of the whole panel. */
  lowEdge?: { patch: number; whole: number };
  /** Layers on which they lie; shares are of all of them together. */
  layers?: number;
  /** From which side it is reached, and which sheets are open before it; from outside, through none, where left out. */
  way?: WayToSheet;
  /** The panel as it can be bought; null where nobody is known to sell it. Money in minor units. */
  offer: { landed: number; leadDays: number } | null;
}

export interface RepairZone {
  class: ZoneClass;
  /** Of the damage itself. */
  area: number;
  /** Cut within the sheet around the patch that takes it out. */
  patchPerimeter: number;
  /** Of it under trim, mm: nobody sees it. */
  patchUnseen?: number;
  /** Edges of the panel that the patch takes in. */
  joints?: readonly JointFacts[];
  patchArea: number;
  /** Distance of the damage to the nearest mount; null where the panel has none. */
  toMount: number | null;
}

export interface Rates {
  /** Minor units an hour of the person's work. */
  hour: number;
  /** Minor units for a square decimetre of sheet steel. */
  sheetDm2: number;
  /** Minor units of wire, gas and discs for a metre of weld. */
  weldMetre: number;
  /** Minor units of converter, primer and wax for a square decimetre. */
  coatDm2: number;
}

/** What the shop holds to; common practice, no published source. */
export interface House {
  /** mm around a mount in which only welded metal of equal thickness counts. */
  mountRadius: number;
  /** How the shop's hours compare with the counted elements: 1 = as counted, 2 = twice as long. */
  pace: number;
  /** The same for kinds of work in which it is known: what the shop's own hours have taught. */
  paces?: Paces;
  /** Sigma of the log of hidden damage that is only found after cutting. */
  hiddenSigma: number;
  /** Median of found/seen hours. */
  hiddenMedian: number;
  runs: number;
  /** Laying a new sheet over treated metal is offered. */
  overlay: boolean;
  /** Hours of such work in a day. */
  hoursPerDay: number;
}

export const houseDefaults: House = {
  mountRadius: usualLimits.mountRadius,
  pace: 1,
  hiddenSigma: 0.3,
  hiddenMedian: 1.2,
  runs: 4000,
  overlay: false,
  hoursPerDay: 6,
};
