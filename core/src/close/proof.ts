import type { Face } from './faces.ts';
import { order, type ClosingStep } from './order.ts';

/** How a face stands: shut with no coat in it is past mending without opening it again. */
export type FaceState = 'bare' | 'coated' | 'shut' | 'shut-bare';

export interface Proof {
  states: ReadonlyMap<string, FaceState>;
  /** Faces that a weld is still to shut and that no coat protects: they come before it. */
  before: { face: string; repairs: string[] }[];
}

/**
 * Is every face coated before it is shut? Each weld of a repair shuts what it closes; each coat that was recorded
 * comes before (`close.order`).
 *
 * @param faces of the repairs
 * @param coated ids of faces with a coat that protects them
 * @param welded repairs that are welded to the end, of which nothing is open any more
 */
export function proof(faces: readonly Face[], coated: ReadonlySet<string>, welded: ReadonlySet<string>): Proof {
  const isShut = ({ closedBy }: Face) => closedBy.length > 0 && closedBy.every((repair) => welded.has(repair));
  const closers = [...new Set(faces.flatMap(({ closedBy }) => closedBy))];
  const steps: ClosingStep[] = [
    ...[...coated].map((face) => ({ id: `coat ${face}`, coats: [face] })),
    ...closers.map((repair) => ({
      id: `weld ${repair}`,
      closes: faces.filter(({ closedBy }) => closedBy.includes(repair)).map(({ id }) => id),
    })),
  ];
  const bare = new Set(steps.length > 0 ? order({ faces: faces.map(({ id }) => id), steps }).bare : []);
  return {
    states: new Map(
      faces.map((face): [string, FaceState] => {
        const isCoated = coated.has(face.id);
        if (isShut(face)) return [face.id, isCoated ? 'shut' : 'shut-bare'];
        return [face.id, isCoated ? 'coated' : 'bare'];
      }),
    ),
    before: faces
      .filter((face) => bare.has(face.id) && !isShut(face))
      .map(({ id, closedBy }) => ({ face: id, repairs: closedBy.filter((repair) => !welded.has(repair)) })),
  };
}
