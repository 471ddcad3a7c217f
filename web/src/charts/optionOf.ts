import type { EChartsCoreOption } from 'echarts/core';
import { titleOf, withUnit, writeOn, type Axis, type Chart, type ChartColour, type Series } from './chart.ts';

export type Colours = Record<ChartColour | 'ink' | 'line' | 'card' | 'mark-soft' | 'line-strong', string>;

/** More bars than that are taller than a screen: what they count stands above them then. */
const MOST_BELOW = 12;
const isTall = ({ y }: Pick<Chart, 'y'>): boolean => (y.names?.length ?? 0) > MOST_BELOW;

/** A chart as the drawing library wants it. Figures in the face of figures, doubt as a band, units on the axes. */
export function optionOf(chart: Chart, colours: Colours): EChartsCoreOption {
  const { x, y, series, marks = [], title } = chart;
  const named = series.filter(({ kind }) => kind !== 'range').length > 1;
  const upright = marks.some((mark) => mark.x !== undefined);
  return {
    animation: false,
    aria: { enabled: true, label: { description: title } },
    textStyle: { fontFamily: 'Barlow, sans-serif', color: colours.ink },
    grid: {
      left: 8,
      right: 18,
      top: (named ? 34 : 8) + (upright || !y.names ? 18 : 0) + (isTall(chart) ? 26 : 0),
      bottom: isTall(chart) ? 8 : 26,
      containLabel: true,
    },
    legend: named
      ? { top: 0, left: 0, itemWidth: 18, itemHeight: 8, textStyle: { color: colours['ink-soft'], fontSize: 13 } }
      : undefined,
    tooltip: {
      trigger: 'item',
      confine: true,
      backgroundColor: colours.card,
      borderColor: colours['line-strong'],
      textStyle: { color: colours.ink, fontSize: 13 },
      formatter: ({ seriesName, value, dataIndex }: Pointed) => hint(chart, seriesName ?? '', { value, dataIndex }),
    },
    xAxis: { ...axisOf(x, colours, 'x', farthestOf(series)), ...(isTall(chart) ? { position: 'top' } : {}) },
    yAxis: axisOf(y, colours, 'y'),
    series: [...series.flatMap((one) => seriesOf(one, colours)), marksOf(chart, colours)],
  };
}

interface Pointed {
  seriesName?: string;
  value: readonly number[];
  dataIndex: number;
}
/** What is shown beside the pointer: as text, since names in it were typed by people. */
function hint(chart: Chart, name: string, at: Pick<Pointed, 'value' | 'dataIndex'>): HTMLElement {
  const shown = document.createElement('div');
  shown.style.whiteSpace = 'pre-line';
  shown.textContent = hintText(chart, name, at).join('\n');
  return shown;
}
export function hintText(
  { x, y, series }: Chart,
  name: string,
  { value, dataIndex }: Pick<Pointed, 'value' | 'dataIndex'>,
): string[] {
  const one = series.find((entry) => entry.name === name);
  if (one?.kind === 'range')
    return [
      withUnit(y, value[3]!),
      `${withUnit(x, value[1]!)} (${withUnit(x, value[0]!)} to ${withUnit(x, value[2]!)})`,
    ];
  if (one?.kind === 'bars')
    return [one.labels[dataIndex] ?? name, `${withUnit(x, value[0]!)} to ${withUnit(x, value[1]!)}`];
  if (one?.kind === 'band')
    return [name, `${withUnit(x, value[0]!)}: ${withUnit(y, value[1]!)} to ${withUnit(y, value[2]!)}`];
  return [name, `${withUnit(x, value[0]!)}: ${withUnit(y, value[1]!)}`];
}

/** Letters up to which what stands on an axis is short. */
const SHORT = 6;
/** The largest figure along the axis below. */
const farthestOf = (series: readonly Series[]): number =>
  series.reduce(
    (most, one) =>
      one.points.reduce(
        (far, point) =>
          Math.max(far, (one.kind === 'range' ? point[2] : one.kind === 'bars' ? point[1] : point[0]) ?? 0),
        most,
      ),
    0,
  );

function axisOf(axis: Axis, colours: Colours, at: 'x' | 'y', farthest = 0): object {
  const text = { color: colours['ink-soft'], fontSize: 12 };
  // Long words side by side need room on a phone: fewer of them, rather than some that are left out.
  const ticks = at === 'x' && writeOn(axis, axis.max ?? farthest).length > SHORT ? 2 : 5;
  return {
    type: axis.names ? 'category' : 'value',
    ...(axis.names
      ? { data: axis.names, inverse: at === 'y' }
      : { min: axis.min, max: axis.max, ...(axis.every ? { interval: axis.every } : {}), splitNumber: ticks }),
    scale: true,
    name: axis.names ? '' : titleOf(axis),
    nameLocation: at === 'x' ? 'middle' : 'end',
    nameGap: at === 'x' ? 26 : 8,
    nameTextStyle: { ...text, align: at === 'y' ? 'left' : 'center' },
    axisLabel: {
      ...text,
      hideOverlap: true,
      ...(axis.names
        ? { interval: 0 }
        : { fontFamily: 'DM Mono, monospace', formatter: (v: number) => writeOn(axis, v) }),
    },
    axisLine: { onZero: false, lineStyle: { color: colours['line-strong'] } },
    axisTick: { show: false },
    splitLine: { show: !axis.names, lineStyle: { color: colours.line } },
  };
}

function seriesOf(one: Series, colours: Colours): object[] {
  const { name } = one;
  const colour = colours[('colour' in one && one.colour) || 'mark'];
  if (one.kind === 'line')
    return [
      {
        ...{ type: 'line', name, data: one.points, showSymbol: false, symbolSize: 9, triggerLineEvent: true },
        ...(one.stepped ? { step: 'end' } : {}),
        lineStyle: { color: colour, width: 2, type: one.dashed ? 'dashed' : 'solid' },
        itemStyle: { color: colour },
      },
    ];
  if (one.kind === 'points')
    return [{ type: 'scatter', name, data: one.points, symbolSize: 9, itemStyle: { color: colour, opacity: 0.85 } }];
  if (one.kind === 'columns')
    return [
      {
        ...{ type: 'custom', name, data: one.points, encode: { x: 0, y: 1 }, itemStyle: { color: colour } },
        renderItem: (_params: unknown, api: CustomApi) => {
          const [left, top] = api.coord([api.value(0) - one.width / 2, api.value(1)]);
          const [right, bottom] = api.coord([api.value(0) + one.width / 2, 0]);
          const shape = { x: left! + 0.5, y: top!, width: Math.max(1, right! - left! - 1), height: bottom! - top! };
          return { type: 'rect', shape, style: { fill: colour } };
        },
      },
    ];
  if (one.kind === 'band')
    return [
      {
        ...{ type: 'custom', name, data: one.points, encode: { x: 0, y: [1, 2] }, z: 0 },
        itemStyle: { color: colours['mark-soft'] },
        renderItem: (params: { dataIndex: number }, api: CustomApi) => {
          const here = one.points[params.dataIndex]!;
          const next = one.points[params.dataIndex + 1];
          if (!next) return undefined;
          const corners = [
            [here[0], here[1]],
            [here[0], here[2]],
            [next[0], next[2]],
            [next[0], next[1]],
          ].map((corner) => api.coord(corner));
          return {
            type: 'polygon',
            shape: { points: corners },
            style: { fill: colours['mark-soft'], stroke: colours['mark-soft'] },
          };
        },
      },
    ];
  if (one.kind === 'bars')
    return [
      {
        ...{ type: 'custom', name, data: one.points, encode: { x: [0, 1], y: 2 }, itemStyle: { color: colour } },
        clip: true,
        renderItem: (_params: unknown, api: CustomApi) => {
          const [left, y] = api.coord([api.value(0), api.value(2)]);
          const [right] = api.coord([api.value(1), api.value(2)]);
          const shape = {
            x: left!,
            y: y! - HALF_BAR,
            width: Math.max(LEAST_BAR, right! - left!),
            height: 2 * HALF_BAR,
          };
          return { type: 'rect', shape: { ...shape, r: 2 }, style: { fill: colour } };
        },
      },
    ];
  return [
    {
      ...{ type: 'custom', name, data: one.points, encode: { x: [0, 1, 2], y: 3 } },
      renderItem: (params: { dataIndex: number }, api: CustomApi) => {
        const [low, middle, high] = [0, 1, 2].map((i) => api.coord([api.value(i), api.value(3)]));
        const chosen = one.chosen === undefined || one.chosen === params.dataIndex;
        const stroke = chosen ? colours.mark : colours['line-strong'];
        const [y, half] = [low![1]!, 7];
        return {
          type: 'group',
          children: [
            {
              type: 'rect',
              shape: { x: low![0], y: y - half, width: high![0]! - low![0]!, height: 2 * half, r: 3 },
              style: { fill: chosen ? colours['mark-soft'] : colours.line, stroke },
            },
            {
              type: 'line',
              shape: { x1: middle![0], x2: middle![0], y1: y - half - 3, y2: y + half + 3 },
              style: { stroke, lineWidth: 3 },
            },
          ],
        };
      },
    },
  ];
}

/** px. Half as high as a bar is, and what an hour among months is still seen by. */
const HALF_BAR = 7;
const LEAST_BAR = 3;

interface CustomApi {
  value(dimension: number): number;
  coord(at: readonly (number | undefined)[]): number[];
}

function marksOf({ marks = [], y: upright }: Chart, colours: Colours): object {
  // Names run downwards: the end of an upright line is at the bottom then.
  const above = upright.names ? 'start' : 'end';
  return {
    type: 'line',
    data: [],
    markLine: {
      silent: true,
      symbol: 'none',
      lineStyle: { color: colours.alarm, type: 'dashed', width: 1.5 },
      data: marks.map(({ name, x, y }) => ({
        name,
        ...(x === undefined ? { yAxis: y } : { xAxis: x }),
        label: {
          ...{ color: colours.alarm, fontSize: 12, formatter: '{b}' },
          // Above an upright line, within the drawing over a level one.
          ...(x === undefined ? { position: 'insideEndTop' } : { position: above, rotate: 0, distance: 2 }),
        },
      })),
    },
  };
}
