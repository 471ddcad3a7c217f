import type { Point, Ring } from '../geometry/index.ts';

export type Material = 'steel' | 'aluminium';
export type Side = 'left' | 'right' | 'centre';

/** One sheet of a panel. Layers lie behind each other, the outermost first. */
export interface Layer {
  id: string;
  name: string;
  /** As built, mm. */
  thickness: number;
  material: Material;
}

/** A cut-out of the panel. Openings belong to its shape, drains must stay open. */
export interface Hole {
  id: string;
  name: string;
  kind: 'opening' | 'hole' | 'drain';
  outline: Ring;
}

export interface Crease {
  id: string;
  name: string;
  line: readonly Point[];
}

/** A folded or doubled strip along an edge. */
export interface Flange {
  id: string;
  name: string;
  outline: Ring;
}

/** A place that carries load: suspension, body mount, hinge, belt, jack. */
export interface Mount {
  id: string;
  name: string;
  at: Point;
}

/**
 * What a stretch of an outline is: spot-welded or brazed to another sheet, folded round one, bolted or riveted to
 * it, or the panel's own edge: folded, turned back, a lip around a wheel, a gutter, or free.
 */
export type EdgeKind = 'spot' | 'braze' | 'hem' | 'bolt' | 'rivet' | 'fold' | 'return' | 'lip' | 'drip' | 'free';

/** What a stretch of an edge is, as built. Lengths mm. */
export interface EdgeSpec {
  kind: EdgeKind;
  /** Distance of neighbouring spots, bolts or rivets. */
  pitch?: number;
  /** Sheets that are joined there, this one among them. */
  sheets?: number;
  /** Width of the fold, lip or return. */
  height?: number;
  /** Under sealer, trim or a second flange: its fasteners have to be found first. */
  hidden?: boolean;
}

/** What somebody has said of a stretch of the outline, in place of what is usual. */
export interface SaidEdge extends EdgeSpec {
  name: string;
  line: readonly Point[];
  /** The sheet of which it was said; all of them where it is left out. */
  layer?: string;
}

/**
 * A panel opened flat at true size, seen from outside (floor: from below; inner
 * structure: with the skin off). u right, v up, mm, origin at the lower left of
 * the smallest upright rectangle around it.
 */
export interface Panel {
  id: string;
  name: string;
  side: Side;
  view: string;
  outline: Ring;
  holes: readonly Hole[];
  creases: readonly Crease[];
  flanges: readonly Flange[];
  mounts: readonly Mount[];
  /** Stretches of the outline that are not what is usual for such a panel. */
  edges?: readonly SaidEdge[];
  layers: readonly Layer[];
  /** Where lead was run over a joint: gauges say nothing of the steel there. */
  leaded?: readonly Flange[];
  /** Names of what stands beside the sheet as a rule, and is not there: trim left off, glass that is out. */
  without?: readonly string[];
  /** Cross-section by layer, as [depth inwards, v], mm: where the panel is hollow. */
  section?: Readonly<Record<string, readonly Point[]>>;
  /** How the surface is curved: decides how hard a patch is to make and how soft the middle is. */
  curvature: 'flat' | 'single' | 'double';
  /** Carries load: cautions and joint rules follow from it. */
  structural: boolean;
  /** How it is held: a bolted panel comes off without cutting. */
  fixing: 'welded' | 'bolted';
  /** Seen on the finished car. */
  visible: boolean;
  /** Place of the origin on the opened-out body, mm. */
  placement: Point;
  /** What it lies on across its middle, beside the seams of the plan. */
  inner?: readonly SaidEdge[];
  /** Panels of the plan whose place it takes, where it is one piece over several. */
  members?: readonly string[];
  /** The panel on the other side of the car, if there is one, and how it is mirrored. */
  mirrorOf?: { panel: string; axis: 'u' | 'v' };
}

/** Where two panels are joined; both lines in their own panel's coordinates, same length. */
export interface Seam {
  id: string;
  name: string;
  kind: 'spot' | 'bolted' | 'brazed';
  /** Distance of neighbouring spots or bolts as built, mm. */
  pitch: number;
  /** Sheets that meet there; two when left out. */
  sheets?: number;
  sides: readonly [SeamSide, SeamSide];
}

export interface SeamSide {
  panel: string;
  line: readonly Point[];
}

/** A hollow closed by sheets: coat it before it is closed, keep its drains open. */
export interface Cavity {
  id: string;
  name: string;
  walls: readonly { panel: string; layer: string }[];
  drains: readonly string[];
}

export interface View {
  id: string;
  name: string;
  /** Lower left corner on the opened-out body and size, mm. */
  at: Point;
  width: number;
  height: number;
}

/** A place on the body from which a tape is stretched. */
export interface DatumPoint {
  id: string;
  name: string;
  /** mm: back from the front of the body, to the left of its middle line, up from the lower edge of its side view. */
  at: readonly [number, number, number];
}

/** Places that lie about in one plane, with nothing in the way of a tape between them. */
export interface Figure {
  id: string;
  name: string;
  points: readonly string[];
  /** Where it is an opening or a section: between which of its points what metal holds them apart, by panel. */
  sides: readonly { ends: readonly [string, string]; panels: readonly string[] }[];
  /** What cannot be done while braces stand in it. */
  blocks: string;
}

/** Where a hung part is held. */
export interface HungMount extends Mount {
  /** Panels that carry it: rotten, they give way under any shim. */
  on: readonly string[];
}

/** A part that hangs on the body: its gaps say where its mounts have gone. */
export interface HungPart {
  id: string;
  name: string;
  panel: string;
  /** Where it is held and can be shimmed or shifted, in the panel's coordinates, mm. */
  mounts: readonly HungMount[];
  /** Which way shims at its mounts move it: up, or along the car; lids slide in their slots. */
  shimmed: 'up' | 'along' | null;
}

/** What is measured of a body to know whether it has kept its shape. */
export interface Frame {
  points: readonly DatumPoint[];
  figures: readonly Figure[];
  hung: readonly HungPart[];
}

/** A body opened flat: data, in mm, for one invented vehicle type. */
/** Two panels that lie at each other: joined, or facing each other across a gap that shows. */
export interface Meeting {
  panels: readonly [string, string];
  gap: boolean;
}

export interface BodyPlan {
  id: string;
  /** The shipped plan from which it was made, by whose rules it is built; left out where it is one of those. */
  base?: string;
  name: string;
  description: string;
  views: readonly View[];
  /** Where the wheels stand in the first view, u and v in mm, and their radius: for sketches only. */
  wheels: { at: readonly number[]; v: number; radius: number };
  panels: readonly Panel[];
  seams: readonly Seam[];
  cavities: readonly Cavity[];
  /** Which panels lie at each other, beside those of its seams and hollows. */
  meetings?: readonly Meeting[];
  /** Left out in a plan of somebody's own that was kept before frames were known. */
  frame?: Frame;
}
