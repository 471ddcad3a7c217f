import type { WeldPlan } from '@aspecta/core/weld';
import type { Chart } from '../charts/chart.ts';

/** How warm the sheet is at each place when its turn comes. */
export function heatChart(
  { steps }: Pick<WeldPlan, 'steps'>,
  handWarm: number,
  heat: { word: { value: string }; shown: (celsius: number) => number },
): Chart {
  const warm = steps.filter((step) => step.temperature !== null);
  return {
    title: 'How warm each place is just before it is welded',
    x: { name: 'Minutes from the beginning', min: 0 },
    y: { name: 'Temperature', unit: heat.word.value, min: 0 },
    series: [
      {
        kind: 'line',
        name: 'in order',
        colour: 'ink-soft',
        points: warm.map((s) => [s.start / 60, heat.shown(s.temperature!)] as const),
      },
      {
        kind: 'points',
        name: 'tacks and stitches',
        points: warm.map((s) => [s.start / 60, heat.shown(s.temperature!)] as const),
      },
    ],
    marks: [{ name: 'hand-warm', y: heat.shown(handWarm) }],
  };
}
