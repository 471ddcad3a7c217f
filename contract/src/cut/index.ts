import { ARMS_LENGTH, type CutLine, type Pin, type Tapes, type TapeTrouble } from '@aspecta/core/cut';
import { between, type Ring } from '@aspecta/core/geometry';

export interface CutSettings {
  margin: number;
  maxCorners: number;
  cornerRadius: number;
  kerf: number;
  /** How far one arm lays a tape, mm. */
  reach: number;
  /** Edges, creases and holes that the person measures from, by name, at most two; what he has not named is chosen. */
  from: string[];
}

/** How a cut is wanted: its settings, and its corners where a person has laid it himself; null where it is to be found. */
export interface CutInput extends CutSettings {
  corners: [number, number][] | null;
  /** What each of those corners is held to, an edge or a crease; null where none is. */
  pins: (Pin | null)[] | null;
  version: number;
}

export interface CutPlanView extends Tapes {
  repairId: string;
  panel: string;
  layer: string;
  /** As-built thickness, mm. */
  thickness: number;
  settings: CutSettings;
  saved: boolean;
  version: number;
  line: CutLine;
  /** A person has laid this line. */
  own: boolean;
  /** What each corner where its runs meet is held to; null where none is. */
  pins: (Pin | null)[] | null;
  /** What would be found instead of it; null where the line is the one that was found, or none is found. */
  found: CutLine | null;
  /** The panel on the other side for which the same figures hold, if there is one. */
  mirror: string | null;
  /** Where the metal is more likely than not too thin to weld to: the line stays out of there. */
  thin: Ring[];
  /** mm² of pitted metal of this repair that stays and is treated, by the house rules. */
  left: number;
  /** Shares of the joint on metal that was not measured, or that may be too thin. */
  onMap: { unmeasured: number; doubtful: number };
}

/** What each corner of a line is held to, whichever way round its corners are told: the same way as they were said, or the other. */
export const pinsAlong = (laid: Ring, corners: Ring, pins: CutInput['pins']): CutInput['pins'] =>
  pins && (between(laid[0]!, corners[0]!) <= SAME ? pins : pins.toReversed());

export const cutDefaults: CutSettings = {
  margin: 20,
  maxCorners: 4,
  cornerRadius: 15,
  kerf: 1,
  reach: ARMS_LENGTH,
  from: [],
};

/** What is wrong with a tape that cannot be laid as it stands. */
export const TAPE_TROUBLES: Readonly<Record<TapeTrouble, string>> = {
  'off-metal': 'the tape would leave the metal on its way',
  far: 'longer than one arm lays a tape',
  'beyond-end': 'it begins past the end of that edge',
};

/** The two edges that every corner is measured from, by name; null where the corners do not share them. */
export function sharedEdges({ corners }: Pick<CutPlanView, 'corners'>): [string, string] | null {
  const pairs = corners.map(({ datums: [first, second] }): [string, string] => [first.name, second.name]);
  const [one] = pairs;
  return one && pairs.every((pair) => pair.join() === one.join()) ? one : null;
}

/** mm. A corner as near as this to an edge lies on it: no tape is laid. */
const ON_EDGE = 1;

/** A tape figure as it is told; a place beyond a straight edge that bows in lies on the edge itself. */
export const figureText = ({ mm, text }: { mm: number; text: string }): string => (mm < ON_EDGE ? 'on it' : text);

/** What a person should know of the tapes before he marks: which corner, which figure, what is wrong with it. */
export const troublesOf = ({ corners }: Pick<CutPlanView, 'corners'>): string[] =>
  corners.flatMap(({ offsets, troubles }, i) =>
    troubles.flatMap((trouble, k) =>
      trouble ? [`Corner ${i + 1}, ${offsets[k]!.text} from the ${offsets[k]!.datum}: ${TAPE_TROUBLES[trouble]}.`] : [],
    ),
  );

/** mm. Corners of a line and ends of its runs are the same places but for rounding. */
const SAME = 1;

/** From a corner to the next one along the cut, as it is told; nothing where the line ends there: between two edges of the panel. */
export function toNextCorner(
  { line, corners, runs }: Pick<CutPlanView, 'line' | 'corners' | 'runs'>,
  i: number,
): string {
  const [from, to] = [corners[i]!.corner, corners[(i + 1) % corners.length]!.corner];
  const isCut = line.runs.some((run) => run.cut && between(run.from, from) <= SAME && between(run.to, to) <= SAME);
  return isCut ? runs[i]!.text : '–';
}
