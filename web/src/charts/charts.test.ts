import { mount } from '@vue/test-utils';
import { init } from 'echarts/core';
import { describe, expect, it, vi } from 'vitest';
import { catalogue } from '@aspecta/contract/calc';
import { corrosion, pits, spreadRatio } from '@aspecta/core/survey';
import { compare } from '@aspecta/core/verdict';
import { signIn } from '../testing/fakeServer.ts';
import { extentChart, histogram, learntChart, lossChart, pitsChart, variogramChart } from '../survey/surveyCharts.ts';
import { costChart, hoursChart, shareChart } from '../verdict/verdictCharts.ts';
import { heatChart } from '../weld/heatChart.ts';
import { rowsOf, type Chart, type Series } from './chart.ts';
import type { PlannedStep } from '@aspecta/contract/plan';
import { barsOf } from '../plan/bars.ts';
import ChartView from './ChartView.vue';
import './library.ts';
import { hintText, optionOf, type Colours } from './optionOf.ts';

// The page is without network: what draws cannot be had.
vi.mock('./library.ts', async (original) => ({
  ...(await original<object>()),
  begin: () => {
    throw new Error('no network');
  },
}));

const example = catalogue.find((entry) => entry.id === 'verdict.compare')!.example as unknown as Parameters<
  typeof compare
>[0];
const verdict = compare({ ...example, house: { runs: 1000 } });
const euros = (minor: number) => `€${(minor / 100).toFixed(0)}`;
const readings = Array.from({ length: 60 }, (_, i) => ({
  u: (i * 37) % 500,
  v: (i * 61) % 300,
  value: 0.9 - 0.4 * Math.exp(-((((i * 37) % 500) - 250) ** 2) / 9000),
}));
const model = { kind: 'exponential' as const, nugget: 0.0004, partialSill: 0.02, range: 120 };
const depths = [0.18, 0.22, 0.25, 0.31, 0.2, 0.28, 0.4, 0.24];
const pitted = pits({ depths, sampledArea: 8 * 3600, totalArea: 500_000, thickness: 0.9 });
const step = (start: number, temperature: number | null) =>
  ({ n: 1, start, temperature }) as Parameters<typeof heatChart>[0]['steps'][number];
const cases = [
  { predicted: 1000, found: 2000, vehicle: 'A', panel: 'roof', at: '2026-02-01' },
  { predicted: 1000, found: 900, vehicle: 'B', panel: 'roof', at: '2026-01-01' },
];
const extents = [
  { name: 'Blister', seen: 1000, predicted50: 3000, predicted90: 6000, found: 4000 },
  { name: 'Pinholes', seen: 500, predicted50: 900, predicted90: 1500, found: null },
];
const charts: Readonly<Record<string, Chart>> = {
  hours: hoursChart(verdict.options, 'patch'),
  cost: costChart(verdict.options, null, euros),
  share: shareChart(verdict, euros)!,
  histogram: histogram(readings, { asBuilt: 0.9, limit: 0.63, unit: 'mm' }),
  variogram: variogramChart(readings, model, 'mm'),
  pits: pitsChart(depths, pitted, { thickness: 0.9, unit: 'mm' }),
  loss: lossChart('C4', 0.2, 'mm'),
  extents: extentChart(extents, 'mm'),
  learnt: learntChart('blister', cases),
  bars: barsOf(
    [
      { title: 'weld it', by: 'Ines', pieces: [['2026-02-03T18:00:00Z', '2026-02-03T19:00:00Z']] },
      { title: 'cure', by: null, pieces: [['2026-02-03T19:00:00Z', '2026-02-05T19:00:00Z']] },
    ] as PlannedStep[],
    { from: '2026-02-03T12:00:00Z', span: 'days', title: 'When each step is done', dayText: (iso) => iso.slice(0, 10) },
  ).chart,
  heat: heatChart({ steps: [step(0, 20), step(60, 45), step(90, null)] }, 50, {
    word: { value: '°C' },
    shown: (c) => c,
  }),
};
const colours = new Proxy({} as Colours, {
  get: (_target, name) => `#${String(name).length.toString(16).repeat(6).slice(0, 6)}`,
});
const of = <K extends Series['kind']>(chart: Chart, kind: K) =>
  chart.series.find((one) => one.kind === kind) as Extract<Series, { kind: K }>;

describe.each(Object.entries(charts))('the chart of %s', (_name, chart) => {
  it('is drawn by the library with title, axes with units, and everything it holds', () => {
    const place = document.createElement('div');
    Object.defineProperties(place, { clientWidth: { value: 500 }, clientHeight: { value: 300 } });
    const drawing = init(place, undefined, { renderer: 'svg', ssr: true, width: 500, height: 300 });
    drawing.setOption(optionOf(chart, colours));
    const svg = drawing.renderToSVGString();
    drawing.dispose();
    expect(svg).not.toMatch(/NaN|undefined|Infinity/);
    for (const axis of [chart.x, chart.y]) {
      if (!axis.names) expect(svg).toContain(axis.unit ? `${axis.name}, ${axis.unit}` : axis.name);
      else for (const name of axis.names) expect(svg).toContain(name);
    }
    for (const { name } of chart.marks ?? []) expect(svg).toContain(name);
  });

  it('says the same in a table', () => {
    const { head, rows } = rowsOf(chart);
    expect(head).toHaveLength(3);
    expect(rows).toHaveLength(chart.series.reduce((sum, one) => sum + one.points.length, 0));
    for (const row of rows) expect(row.join(' ')).not.toMatch(/NaN|undefined|Infinity/);
  });
});

describe('what is said beside the pointer', () => {
  const said = (name: string, series: string, value: readonly number[]) =>
    hintText(charts[name]!, series, { value, dataIndex: 0 });
  it('is what a bar is and from when to when, as text, whatever it is called', () => {
    expect(said('bars', 'Work', [0.25, 0.29, 0])).toEqual(['weld it', '2026-02-03 to 2026-02-03']);
    expect(said('bars', 'Dries, or is on its way', [0.29, 2.29, 1])).toEqual(['cure', '2026-02-03 to 2026-02-05']);
    const typed = { ...charts['bars']!, series: [{ ...of(charts['bars']!, 'bars'), labels: ['<b>mine</b>'] }] };
    const { tooltip } = optionOf(typed, colours) as {
      tooltip: { formatter: (at: object) => HTMLElement };
    };
    const shown = tooltip.formatter({ seriesName: 'Work', value: [0.25, 0.29, 0], dataIndex: 0 });
    expect(shown.textContent).toContain('<b>mine</b>');
    expect(shown.querySelector('b')).toBeNull();
  });
  it('is a value with its unit, a range with its middle, a band with both ends', () => {
    const [value] = charts['histogram']!.series[0]!.points;
    expect(said('histogram', charts['histogram']!.series[0]!.name, value!)[1]).toMatch(/mm: \d/);
    expect(said('hours', of(charts['hours']!, 'range').name, of(charts['hours']!, 'range').points[0]!)[1]).toMatch(
      /\(.* to .*\)/,
    );
  });
});

describe('what charts are made of', () => {
  it('leaves out what cannot be done, and marks what is chosen', () => {
    const possible = verdict.options.filter((option) => option.ruledOut === null);
    const range = of(charts['hours']!, 'range');
    expect(charts['hours']!.y.names).toEqual(possible.map((option) => option.title));
    expect(range.points[range.chosen!]![1]).toBe(possible.find((option) => option.id === 'patch')!.hours.p50);
    expect(of(charts['cost']!, 'range').chosen).toBeUndefined();
  });

  it('crosses where the verdict says that the whole panel takes over', () => {
    const patch = of(charts['share']!, 'line').points;
    const whole = verdict.costByShare!.whole.p50;
    const share = 100 * verdict.breakEvenShare!;
    const after = patch.findIndex(([x]) => x > share);
    expect(patch[after]![1]).toBeGreaterThan(whole);
    expect(patch[after - 1]![1]).toBeLessThan(whole);
    expect(shareChart({ ...verdict, costByShare: null }, euros)).toBeUndefined();
  });

  it('counts every reading in its column, in either unit', () => {
    const inches = histogram(readings, { asBuilt: 0.9, limit: 0.63, unit: 'in' });
    for (const chart of [charts['histogram']!, inches])
      expect(of(chart, 'columns').points.reduce((sum, [, n]) => sum + n, 0)).toBe(readings.length);
    expect(inches.x.unit).toBe('in');
    expect(inches.marks![0]!.x).toBeCloseTo(0.63 / 25.4, 6);
  });

  it('draws the model where the variogram has it: its sill far away', () => {
    const line = of(charts['variogram']!, 'line').points;
    expect(line.at(-1)![1]).toBeLessThanOrEqual(Math.sqrt(model.nugget + model.partialSill));
    expect(line.at(-1)![1]).toBeGreaterThan(line[1]![1]);
  });

  it('goes on to the return period of the whole panel', () => {
    const line = of(charts['pits']!, 'line').points;
    expect(line.at(-1)![1]).toBeCloseTo(pitted.deepestExpected, 6);
    const band = of(charts['pits']!, 'band').points.at(-1)!;
    expect(band[2] - band[1]).toBeCloseTo(2 * 1.2816 * pitted.standardError, 6);
  });

  it('shows the loss as it is reckoned elsewhere', () => {
    const ten = of(charts['loss']!, 'band').points.find(([years]) => years === 10)!;
    const { low, high } = corrosion({ category: 'C4', years: 10 });
    expect(ten[1]).toBeCloseTo(low / 1000, 9);
    expect(ten[2]).toBeCloseTo(high / 1000, 9);
  });

  it('learns in the order of the days', () => {
    const [, first, second] = of(charts['learnt']!, 'line').points;
    expect(first![1]).toBeCloseTo(spreadRatio('blister', [cases[1]!]).factor, 9);
    expect(second![1]).toBeCloseTo(spreadRatio('blister', [cases[1]!, cases[0]!]).factor, 9);
  });

  it('has a dot only where something was found, and temperatures only where there is one', () => {
    expect(of(charts['extents']!, 'points').points).toEqual([[40, 0]]);
    expect(of(charts['heat']!, 'points').points).toEqual([
      [0, 20],
      [1, 45],
    ]);
  });
});

describe('a chart on a page', () => {
  it('has a name, and its table behind it; also where the drawing cannot be loaded', async () => {
    signIn();
    const view = mount(ChartView, { props: { chart: charts['extents']! } });
    expect(view.get('[role=img]').attributes('aria-label')).toBe(charts['extents']!.title);
    expect(view.findAll('tbody tr')).toHaveLength(3);
    expect(view.text()).toContain('Pinholes');
    await vi.waitFor(() => expect(view.text()).toContain('could not be loaded'));
    expect(view.get('details').attributes('open')).toBeDefined();
  });
});

describe('figures along the axis below', () => {
  const option = (x: Partial<Chart['x']>, most: number) => {
    const points = [[0, most / 2, most, 0]] as const;
    const series: Series[] = [{ kind: 'range', name: 'cost', points }];
    const chart: Chart = {
      title: 'Cost',
      x: { name: 'Cost', min: 0, ...x },
      y: { name: '', names: ['Patch'] },
      series,
    };
    return optionOf(chart, colours) as { xAxis: { splitNumber: number }; yAxis: { splitNumber?: number } };
  };

  it('are fewer where they are written long, so that a phone shows all of them', () => {
    const write = (minor: number) => `US$${(minor / 100).toLocaleString('en-US')}`;
    expect(option({ write }, 140_000).xAxis.splitNumber).toBe(2);
    expect(option({ write }, 9000).xAxis.splitNumber).toBe(5);
    expect(option({ unit: 'h' }, 60).xAxis.splitNumber).toBe(5);
  });
});
