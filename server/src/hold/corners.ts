import { CORNER_TAPES, type CornersView, type TapeView } from '@aspecta/contract/hold';
import { Problem } from '@aspecta/core';
import { square, TAPE_SD } from '@aspecta/core/hold';

/** Openings that a measurement has by their four corners, each with what its six tapes say as soon as all are there. */
export function cornersOf(tapes: readonly TapeView[]): CornersView[] {
  const own = tapes.filter(({ kind }) => kind === 'corners');
  return [...new Set(own.map(({ from }) => from))].map((name) => {
    const lengths: CornersView['lengths'] = Object.fromEntries(
      own.filter(({ from }) => from === name).map(({ to, length }) => [to, length]),
    );
    const taken = CORNER_TAPES.flatMap((tape) => lengths[tape] ?? []);
    if (taken.length < CORNER_TAPES.length) return { name, lengths, found: null, trouble: null };
    try {
      const found = square({ sides: taken.slice(0, 4), diagonals: taken.slice(4), sd: TAPE_SD });
      return { name, lengths, found, trouble: null };
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      return { name, lengths, found: null, trouble: error.message };
    }
  });
}
