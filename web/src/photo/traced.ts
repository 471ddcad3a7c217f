import type { Point } from '@aspecta/core/geometry';

/** An outline traced on a picture, on its way to the panel page. */
interface Traced {
  vehicle: string;
  panel: string;
  ring: readonly Point[];
}
let waiting: Traced | null = null;

export const keepTraced = (traced: Traced) => (waiting = traced);
/** The outline that was traced for this panel, once. */
export function takeTraced(vehicle: string, panel: string): readonly Point[] | null {
  if (waiting?.vehicle !== vehicle || waiting.panel !== panel) return null;
  const { ring } = waiting;
  waiting = null;
  return ring;
}
