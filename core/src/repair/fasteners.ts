import { pointAt, type Point } from '../geometry/index.ts';
import type { PieceJoint } from './ofPanel.ts';

/** One spot, bolt or rivet in its place. */
export interface Fastener {
  /** By its place on the panel: it keeps it when the joints around it change. */
  id: string;
  /** Number on the map, from 1. */
  n: number;
  /** Index of its joint. */
  joint: number;
  kind: string;
  /** mm */
  at: Point;
  hidden: boolean;
}

/** mm. Names of places are as coarse as that: a spot is 5 mm wide. */
const NAMED_BY = 5;

/**
 * Where is each fastener of these joints? Evenly spaced along each, half a pitch from its ends, as
 * presses and hands set them; the true ones are found by looking.
 *
 * @param joints with lines in mm
 * @returns in the order of the joints, numbered through
 * Source: common practice, no published source (T-10).
 * @example fastenersOf([{ kind: 'bolt', name: 'edge', length: 100, fasteners: 2, line: [[0, 0], [100, 0]] }]).map(({ at }) => at) // → [[25, 0], [75, 0]]
 */
export function fastenersOf(joints: readonly PieceJoint[]): Fastener[] {
  const all = joints.flatMap(({ kind, line, fasteners, length, hidden = false }, joint) =>
    Array.from({ length: fasteners }, (_, i) => {
      const at = pointAt(line, (length * (i + 0.5)) / fasteners);
      return { id: idOf(at), joint, kind, at, hidden };
    }),
  );
  return all.map((fastener, i) => ({ ...fastener, n: i + 1 }));
}

const idOf = (at: Point) => at.map((mm) => Math.round(mm / NAMED_BY) * NAMED_BY).join(':');
