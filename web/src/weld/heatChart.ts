import type { Point } from '@aspecta/core/geometry';
import { celsiusAt, type HeatReplay, type WeldPlan } from '@aspecta/core/weld';
import type { Chart, ChartColour } from '../charts/chart.ts';

/** Temperatures as the person reads them. */
interface Heat {
  word: { value: string };
  shown: (celsius: number) => number;
}

/** How warm the sheet is at each place when its turn comes. */
export function heatChart({ steps }: Pick<WeldPlan, 'steps'>, handWarm: number, heat: Heat): Chart {
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

const COLOURS: readonly ChartColour[] = ['mark', 'failing', 'good', 'ink-soft'];

/** How warm some places of the sheet are over the time of a replay. */
export function probeChart(
  replay: HeatReplay,
  places: readonly Point[],
  { ambient, handWarm }: { ambient: number; handWarm: number },
  heat: Heat,
): Chart {
  return {
    title: 'How warm these places are',
    x: { name: 'Minutes from the beginning', min: Math.floor(replay.times[0]! / 60) },
    y: { name: 'Temperature', unit: heat.word.value, min: 0 },
    series: places.map((place, i) => ({
      kind: 'line',
      name: 'ABCD'[i]!,
      colour: COLOURS[i]!,
      points: replay.times.flatMap((time, frame) => {
        const celsius = celsiusAt(replay, frame, place, ambient);
        return celsius === null ? [] : [[time / 60, Number(heat.shown(celsius).toFixed(1))] as const];
      }),
    })),
    marks: [{ name: 'hand-warm', y: heat.shown(handWarm) }],
  };
}
