import type { HoldView, TapeInput, TapeView } from '@aspecta/contract/hold';
import type { Entry } from '../outbox/device.ts';

const isSame = (a: Pick<TapeView, 'kind' | 'from' | 'to'>, b: Pick<TapeView, 'kind' | 'from' | 'to'>) =>
  a.kind === b.kind &&
  (a.kind === 'tape'
    ? [b.from, b.to].includes(a.from) && [b.from, b.to].includes(a.to)
    : a.from === b.from && a.to === b.to);

/**
 * How a car holds its shape with the tapes that are still on this device: each stands in its measurement, and the next
 * one is asked for. What they mean is reckoned when they have been sent.
 */
export function withKept(view: HoldView, entries: readonly Pick<Entry, 'path' | 'body'>[]): HoldView {
  if (entries.length === 0) return view;
  return {
    ...view,
    rounds: view.rounds.map((round) => {
      const kept = entries
        .filter(({ path }) => path.endsWith(`/rounds/${round.id}/tapes`))
        .map(({ body }) => body as unknown as TapeInput)
        .filter(({ id }) => !round.tapes.some((tape) => tape.id === id));
      const read = kept.filter(({ kind }) => kind !== 'barred');
      const barred = kept.filter(({ kind }) => kind === 'barred');
      const tapes = read.reduce<TapeView[]>((all, tape) => {
        const before = all.find((one) => isSame(one, tape));
        const now = { ...tape, by: '', at: '', before: before ? [...before.before, before.length] : [] };
        return [...all.filter((one) => one !== before), now];
      }, round.tapes);
      return {
        ...round,
        tapes,
        figures: round.figures.map((now) => {
          const figure = view.figures.find(({ id }) => id === now.figure)!;
          const left = figure.tapes.filter(
            ([from, to]) =>
              !tapes.some((tape) => isSame(tape, { kind: 'tape', from, to })) &&
              !barred.some((tape) => isSame({ ...tape, kind: 'tape' }, { kind: 'tape', from, to })),
          );
          return { ...now, next: left[0] ?? null, taken: figure.tapes.length - left.length };
        }),
      };
    }),
  };
}
