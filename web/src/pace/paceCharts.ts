import { WORK_WORDS, type PaceView } from '@aspecta/contract/pace';
import { calibrate } from '@aspecta/core/verdict';
import type { Chart } from '../charts/chart.ts';

const times = (factor: number) => `× ${factor.toFixed(2)}`;

/** Every kind of work that was timed, with the range in which its pace lies. */
export function pacesChart(paces: readonly PaceView[]): Chart {
  const timed = paces.filter(({ cases }) => cases.length > 0);
  return {
    title: 'Own hours for one counted hour: middle, and the range of eight in ten',
    x: { name: 'Own hours for a counted one', min: 0, write: times },
    y: { name: 'Work', names: timed.map(({ kind }) => WORK_WORDS[kind]) },
    series: [
      {
        kind: 'range',
        name: 'pace',
        points: timed.map(({ low, factor, high }, i) => [low, factor, high, i] as const),
      },
    ],
    marks: [{ name: 'as counted', x: 1 }],
  };
}

/** How the pace of one kind was learnt, step by step, and how its doubt has shrunk. */
export function paceChart({ kind, cases }: Pick<PaceView, 'kind' | 'cases'>): Chart {
  const inOrder = [...cases].sort((a, b) => a.at.localeCompare(b.at));
  const learnt = Array.from({ length: inOrder.length + 1 }, (_, i) =>
    calibrate({
      element: kind,
      history: inOrder.slice(0, i).map(({ counted, spent }) => ({ estimated: counted, actual: spent })),
    }),
  );
  return {
    title: `${WORK_WORDS[kind]}: how it was learnt, step by step`,
    x: { name: 'Step', min: 0, max: inOrder.length },
    y: { name: 'Own hours for a counted one', min: 0, write: times },
    series: [
      { kind: 'band', name: 'eight in ten', points: learnt.map(({ low, high }, i) => [i, low, high] as const) },
      { kind: 'line', name: 'learnt', stepped: true, points: learnt.map(({ factor }, i) => [i, factor] as const) },
      {
        kind: 'points',
        name: 'each step',
        colour: 'failing',
        points: inOrder.map(({ counted, spent }, i) => [i + 1, spent / counted] as const),
      },
    ],
    marks: [{ name: 'as counted', y: 1 }],
  };
}
