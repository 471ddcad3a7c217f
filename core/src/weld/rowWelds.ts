import { lineLength, pointAt, type Point } from '../geometry/index.ts';
import type { Choice, WeldJoint } from './planTypes.ts';
import { weldId, type Said } from './seamWelds.ts';
import type { Torch } from './torch.ts';

/** Welds after which the flange is looked at; common practice, no published source. */
const WELDS_A_ROUND = 12;

/** Welds in a row along a flange, in the order in which they are made. */
export interface Row {
  seam: number;
  kind: 'plug' | 'spot' | 'tack';
  name: string;
  sheets: number;
  left: { from: Point }[];
}

/** Places of welds spaced evenly along a line, half a pitch from its ends, as the old ones were. mm */
export function placesAlong(line: readonly Point[], count: number): Point[] {
  const length = lineLength(line);
  return Array.from({ length: count }, (_, i) => pointAt(line, (length * (i + 0.5)) / count));
}

/**
 * The welds of a joint from its middle outward, so that none is ever trapped between two welded ends
 * (T-11). What a person has put first is where the row begins instead.
 */
export function rowOf(joint: WeldJoint, seam: number, kind: Row['kind'], said: Said, count = joint.welds): Row {
  const places = placesAlong(joint.line, count);
  const idOf = (at: Point) => weldId(kind, at, at);
  const asked = places.findIndex((at) => idOf(at) === said.first.find((id) => places.some((p) => idOf(p) === id)));
  const start = asked >= 0 ? asked : Math.floor((places.length - 1) / 2);
  const outward = places
    .map((at, i) => ({ at, far: Math.abs(i - start), i }))
    .sort((a, b) => a.far - b.far || a.i - b.i)
    .map(({ at }) => at);
  return {
    seam,
    kind,
    name: joint.name,
    sheets: joint.sheets ?? 2,
    left: outward.filter((at) => !said.barred.has(idOf(at))).map((from) => ({ from })),
  };
}

/** How a plug and a spot are made. */
export interface PointWelds {
  /** mm of a plug's hole. */
  hole: number;
  /** s of arc for a plug. */
  plugTime: number;
  /** J of a spot. */
  spotEnergy: number;
}
/** s of current for a spot. */
const SPOT_TIME = 0.3;

/** Makes all rows: the next weld at the row that is coolest, or one row after the other. */
export function weldRows(torch: Torch, rows: readonly Row[], choice: Choice, how: PointWelds): void {
  let made = 0;
  const byHeat = choice === 'coolest' || choice === 'farthest' || choice === 'warmest';
  for (;;) {
    const open = rows.filter(({ left }) => left.length > 0);
    if (open.length === 0) return;
    if (made > 0 && made % WELDS_A_ROUND === 0)
      torch.check('Look at what has been welded: sheets tight on each other, nothing pulled away from its line.');
    const row = byHeat ? torch.coolest(open, open, choice) : open[0]!;
    weld(torch, row, row.left.shift()!.from, how);
    made++;
  }
}

function weld(torch: Torch, row: Row, at: Point, { hole, plugTime, spotEnergy }: PointWelds): void {
  const { seam, kind, name, sheets } = row;
  const through = sheets > 2 ? `, through all ${sheets} sheets` : '';
  if (kind === 'tack') torch.tack(at, seam, `Small weld that holds the hem (${name})`);
  else if (kind === 'spot')
    torch.point('spot', at, { seam, duration: SPOT_TIME, energy: spotEnergy, text: `Spot weld (${name})${through}` });
  else
    torch.point('plug', at, {
      seam,
      duration: plugTime,
      text: `Plug through a ${hole} mm hole (${name})${through}; clamp beside it`,
    });
}
