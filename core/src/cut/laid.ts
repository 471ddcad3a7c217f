import { area, perimeter, type Point, type Ring } from '../geometry/index.ts';
import { costOfEdges } from './edges.ts';
import type { Ground } from './ground.ts';
import { jointsOf, lengthOnEdge, pieceAround } from './outline.ts';
import { passedBy, trimOver, unseenOf, type Passed } from './passes.ts';
import { runsOf, WHY, type CutRun } from './runs.ts';
import type { Followed } from './snap.ts';
import { warningsOf } from './warnings.ts';
import { costAlong, weldsInside } from './weigh.ts';

export interface CutLine {
  runs: CutRun[];
  /** Sharp corners to mark, mm, anticlockwise. */
  corners: Point[];
  /** Corners in which the straight runs meet, also beyond the edge of the panel where the piece goes out to it: what a person moves. */
  laid: Ring;
  /** Final line with rounded corners, closed along the panel edge where it reaches it. */
  outline: Ring;
  /** First cut, 12 mm short. */
  rough: Ring;
  /** The piece to make: one blade width smaller along the joint. */
  patch: Ring;
  /** Lines along which it is cut and welded, open or closed. */
  joints: { points: Point[]; closed: boolean }[];
  cutLength: number;
  /** Of it under trim, mm: nobody sees it. */
  unseen: number;
  /** What it runs under or beside, and how far, mm. */
  passes: Passed[];
  edgeLength: number;
  area: number;
  /** Cost of the line with the edges that it takes in: a millimetre of cut on plain sheet is 1. */
  cost: number;
  /** Cost of the cheapest closed line that the search found on its grid, in steps along u and v; null where there is none. */
  leastCost: number | null;
  /** The other lines that were weighed, cheapest first, with what they would cost and where their runs meet. */
  alternatives: { name: string; cost: number; length: number; area: number; laid: Ring }[];
  /** Sheets under the line that the saw must not touch. */
  layersBehind: string[];
  /** Spot welds inside the line that hold the cut-out piece. */
  weldsToDrill: number;
  warnings: string[];
}

/** A line as its maker gives it: where its runs meet, and the same moved in. */
export interface Layout {
  laid: Ring;
  /** Its corners rounded and moved in by mm, before it is held against the sheet. */
  rounded: (inset: number) => Ring;
  /** What the run that passes a place follows. */
  followedAt: (place: Point) => Pick<Followed, 'follows' | 'name'>;
  whyFree: string;
}

/** Everything that follows from where the runs of a line meet: piece, joints, lengths, cost, and what to look out for. */
export function lineFrom(ground: Ground, layout: Layout): Omit<CutLine, 'leastCost' | 'alternatives'> {
  const { panel, sheet, rules, damage } = ground;
  const onSheet = (ring: Ring) => pieceAround(ring, sheet, damage);
  const outline = onSheet(layout.rounded(0));
  const runs = runsOf(onSheet(layout.laid), sheet, layout.followedAt, layout.whyFree).map((run): CutRun => {
    const trim = run.cut && run.follows === 'free' ? trimOver(run.from, run.to, panel.areas ?? []) : undefined;
    return trim ? { ...run, why: WHY.trim(trim) } : run;
  });
  const joints = jointsOf(outline, sheet);
  const { cost: cut, forbidden } = costAlong(joints, ground);
  const cost = cut + costOfEdges(panel.edges, outline);
  const edgeLength = lengthOnEdge(outline, sheet);
  const passes = passedBy(joints, panel.areas ?? []);
  return {
    runs,
    corners: runs.filter((run, i) => run.cut || runs[(i + runs.length - 1) % runs.length]!.cut).map((run) => run.from),
    laid: layout.laid,
    outline,
    rough: onSheet(layout.rounded(rules.roughGap)),
    patch: onSheet(layout.rounded(rules.kerf)),
    joints,
    cutLength: perimeter(outline) - edgeLength,
    unseen: unseenOf(passes),
    passes,
    edgeLength,
    area: area([outline]),
    cost,
    layersBehind: (panel.layers ?? []).slice(1),
    weldsToDrill: weldsInside(outline, panel),
    warnings: warningsOf(ground, { outline, joints, forbidden, passes }),
  };
}
