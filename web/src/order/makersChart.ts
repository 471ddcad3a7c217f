import type { MakerRecord } from '@aspecta/core/order';
import type { Chart } from '../charts/chart.ts';

/** How long the deliveries of each maker took, and how long the next one will: against what is promised. */
export function makersChart(makers: readonly MakerRecord[]): Chart {
  const timed = makers.filter((one) => one.timed.length > 0);
  return {
    title: 'Days that a delivery takes for each day promised: as likely as not, and nine times in ten',
    x: { name: 'Days for a promised one', min: 0, write: (factor) => `× ${factor.toFixed(1)}` },
    y: { name: 'Maker', names: timed.map(({ maker }) => maker) },
    series: [
      {
        kind: 'range',
        name: 'the next delivery',
        points: timed.map(({ factor }, i) => [factor.p50, factor.p50, factor.p90, i] as const),
      },
      {
        kind: 'points',
        name: 'each delivery',
        colour: 'failing',
        points: timed.flatMap((one, i) => one.timed.map(({ quoted, actual }) => [actual / quoted, i] as const)),
      },
    ],
    marks: [{ name: 'as promised', x: 1 }],
  };
}
