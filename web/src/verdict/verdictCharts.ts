import type { CostByShare, Verdict, VerdictOption } from '@aspecta/core/verdict';
import type { Chart } from '../charts/chart.ts';

/** Options that can be done here, each with what it takes: eight in ten such repairs lie within the range. */
function rangesOf(
  options: readonly VerdictOption[],
  chosen: string | null,
  what: { title: string; name: string; unit?: string; of: 'hours' | 'cost'; write: (value: number) => string },
): Chart {
  const possible = options.filter((option) => option.ruledOut === null);
  const at = possible.findIndex((option) => option.id === chosen);
  return {
    title: what.title,
    x: { name: what.name, min: 0, write: what.write, ...(what.unit ? { unit: what.unit } : {}) },
    y: { name: 'Option', names: possible.map((option) => option.title) },
    series: [
      {
        kind: 'range',
        name: what.name,
        points: possible.map(
          (option, i) => [option[what.of].p10, option[what.of].p50, option[what.of].p90, i] as const,
        ),
        chosen: at < 0 ? undefined : at,
      },
    ],
  };
}

export const hoursChart = (options: readonly VerdictOption[], chosen: string | null): Chart =>
  rangesOf(options, chosen, {
    title: 'Hours of work: middle, and the range of eight in ten',
    name: 'Hours',
    of: 'hours',
    write: (value) => `${Number(value.toFixed(value < 10 ? 1 : 0))} h`,
  });

export const costChart = (
  options: readonly VerdictOption[],
  chosen: string | null,
  money: (minor: number) => string,
): Chart =>
  rangesOf(options, chosen, {
    title: 'Money, work included: middle, and the range of eight in ten',
    name: 'Cost',
    of: 'cost',
    write: money,
  });

/** Where patching stops being cheaper; undefined where the panel cannot be bought. */
export function shareChart(
  { costByShare, breakEvenShare, damageShare }: Pick<Verdict, 'costByShare' | 'breakEvenShare' | 'damageShare'>,
  money: (minor: number) => string,
): Chart | undefined {
  if (!costByShare) return undefined;
  const { patch, whole }: CostByShare = costByShare;
  const percent = (share: number) => 100 * share;
  return {
    title: 'What a patch costs as the damage grows, beside the whole panel',
    x: { name: 'Damaged share of the panel', unit: '%', min: 0, max: 100 },
    y: { name: 'Cost, work included', min: 0, write: money },
    series: [
      {
        kind: 'band',
        name: 'patch, eight in ten',
        points: patch.map(({ share, cost }) => [percent(share), cost.p10, cost.p90] as const),
      },
      { kind: 'line', name: 'patch', points: patch.map(({ share, cost }) => [percent(share), cost.p50] as const) },
      {
        kind: 'line',
        name: 'whole panel',
        colour: 'failing',
        dashed: true,
        points: [
          [0, whole.p50],
          [100, whole.p50],
        ],
      },
    ],
    marks: [
      { name: 'now', x: percent(damageShare) },
      ...(breakEvenShare === null ? [] : [{ name: 'break-even', x: percent(breakEvenShare) }]),
    ],
  };
}
