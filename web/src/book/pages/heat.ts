import { fahrenheitOf } from '@aspecta/core/units';
import { afterWeld, lineSource, MATERIALS, type Field, type WeldMaterial } from '@aspecta/core/weld';
import { rectangle } from '../drawing.ts';
import { page, round, type BookPage, type Values, type Writer } from '../page.ts';
import { MATERIAL } from './weld.ts';

/** °C at which a place can be touched, and the next stitch may begin there (T-09). */
const HAND_WARM = 50;
const WORKSHOP = { key: 'ambient', label: 'Workshop', kind: 'heat', usual: 20 } as const;

/** How many times t8/5 a cooling curve is drawn on. */
const SHOWN = 12;
/** mm from the seam at which the sheet is watched, and that lie in a stitch of it. */
const BESIDE = 12;
const STITCH = 13;

const stitchesOf = (v: Values) => Math.max(1, Math.round(Number(v['seam']) / STITCH));
/** s from the first stitch until a minute after the last one. */
function timesOf(v: Values): number[] {
  const end = stitchesOf(v) * Number(v['pause']) + 60;
  return Array.from({ length: 80 }, (_, i) => (end * (i + 1)) / 80);
}

/** An axis of temperatures, as this person reads them. */
const temperatures = ({ person }: Writer) =>
  person.heat === 'F' ? { unit: '°F', of: fahrenheitOf } : { unit: '°C', of: (celsius: number) => celsius };

export const heatPages: readonly BookPage[] = [
  page<{ t85: number }>({
    key: 'cooling',
    calc: 'weld.cooling',
    title: 'Cooling time',
    wants: 'tell how fast a weld cools from 800 to 500 °C',
    group: 'Weld',
    words: 't8/5 heat input preheat hard brittle',
    fields: [
      { key: 'heatInput', label: 'Heat input, efficiency included', kind: 'heatInput', usual: 0.1 },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 1.2 },
      { key: 'preheat', label: 'Before welding', kind: 'heat', usual: 20 },
    ],
    input: (v) => ({ ...v }),
    answer: (r) => ({
      figure: `${round(r.t85, 1)} s`,
      sentence: 'from 800 to 500 °C, heat flowing in the plane of the sheet.',
      rows: [],
    }),
    chart: (r, { preheat }, write) => {
      const warm = temperatures(write);
      // Closer together at first, where it falls fast; as long as it takes to come near to where it began.
      const times = Array.from({ length: 121 }, (_, i) => r.t85 * 0.2 * 1.055 ** i);
      const now = afterWeld({ t85: r.t85, preheat: Number(preheat), times });
      return {
        title: 'How warm the weld is after the arc has passed',
        x: { name: 'After the arc', unit: 's', min: 0, max: r.t85 * SHOWN },
        y: { name: 'Temperature', unit: warm.unit, min: 0 },
        series: [
          {
            kind: 'line',
            name: 'in the middle of the weld',
            points: times.flatMap((time, i) =>
              now[i] === null || now[i] === undefined || time > r.t85 * SHOWN ? [] : [[time, warm.of(now[i])] as const],
            ),
          },
        ],
        marks: [800, 500].map((c) => ({ name: write.said(`${c} °C`), y: warm.of(c) })),
      };
    },
  }),
  page<{ rise: number; holds: boolean }>({
    key: 'touch',
    calc: 'weld.lineSource',
    title: 'Can it be touched yet?',
    wants: 'tell how warm the sheet is beside a short weld after a while',
    group: 'Weld',
    words: 'heat wait cool interpass temperature stitch',
    fields: [
      {
        key: 'energy',
        label: 'Net heat of the stitch',
        kind: 'number',
        usual: 1500,
        unit: 'J',
        hint: 'volts × amps × seconds × 0.8 (MIG)',
      },
      MATERIAL,
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
      { key: 'distance', label: 'Away from it', kind: 'length', usual: 20 },
      { key: 'time', label: 'After', kind: 'number', usual: 30, unit: 's' },
      WORKSHOP,
    ],
    input: ({ energy, material, thickness, distance, time }) => {
      const { conductivity, density, heat } = MATERIALS[material as WeldMaterial];
      return { energy, thickness, distance, time, conductivity, density, heat };
    },
    answer: (r, v) => {
      const now = Number(v['ambient']) + r.rise;
      if (!r.holds)
        return {
          figure: 'Not yet',
          sentence: `So soon after the weld and so close to it the metal is molten or has just set: nothing can be said of ${v['time']} s. Ask for a later time or a place farther away.`,
          rows: [],
        };
      return {
        figure: `${round(now, 0)} °C`,
        sentence:
          now <= HAND_WARM
            ? `In a workshop at ${round(Number(v['ambient']), 0)} °C: hand-warm, the next stitch may begin here.`
            : `In a workshop at ${round(Number(v['ambient']), 0)} °C: too warm to touch; wait, or weld elsewhere.`,
        rows: [{ name: 'Above the workshop', text: `${round(r.rise, 1)} K` }],
      };
    },
    chart: (_r, v, write) => {
      const warm = temperatures(write);
      const asked = Number(v['time']);
      const distance = Number(v['distance']);
      const times = Array.from({ length: 100 }, (_, i) => ((i + 1) / 100) * Math.max(60, asked * 2.5));
      const { conductivity, density, heat } = MATERIALS[v['material'] as WeldMaterial];
      const at = (away: number) =>
        times.flatMap((time) => {
          const { rise, holds } = lineSource({
            energy: Number(v['energy']),
            thickness: Number(v['thickness']),
            distance: away,
            time,
            conductivity,
            density,
            heat,
          });
          return holds ? [[time, warm.of(Number(v['ambient']) + rise)] as const] : [];
        });
      return {
        title: 'How warm the sheet gets beside the stitch, and how it cools',
        x: { name: 'After the stitch', unit: 's', min: 0, max: times.at(-1)! },
        y: { name: 'Temperature', unit: warm.unit, min: 0 },
        series: [
          { kind: 'line', name: `${write.length(distance)} away`, points: at(distance) },
          { kind: 'line', name: `${write.length(distance * 2)} away`, colour: 'ink-soft', points: at(distance * 2) },
        ],
        marks: [
          { name: 'hand-warm', y: warm.of(HAND_WARM) },
          { name: 'asked for', x: asked },
        ],
      };
    },
  }),
  page<Field>({
    key: 'heat',
    calc: 'weld.field',
    title: 'Heat along a seam',
    wants: 'see how warm a seam gets stitch after stitch',
    group: 'Weld',
    words: 'field heat simulate temperature stitches copper order wait',
    fields: [
      { key: 'seam', label: 'Length of the seam', kind: 'length', usual: 260, feeds: ['stitches', 'gap'] },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
      { key: 'pause', label: 'From stitch to stitch', kind: 'number', usual: 18, unit: 's', feeds: [] },
      {
        key: 'order',
        label: 'Order',
        kind: 'choice',
        usual: 'skip',
        feeds: [],
        options: [
          { value: 'skip', label: 'skipping about' },
          { value: 'run', label: 'from end to end' },
        ],
      },
      {
        key: 'copper',
        label: 'Behind the joint',
        kind: 'choice',
        usual: 'no',
        feeds: ['backing'],
        options: [
          { value: 'no', label: 'nothing' },
          { value: 'yes', label: 'a copper bar, 6 mm' },
        ],
      },
      { ...WORKSHOP, feeds: [] },
    ],
    input: (v) => {
      const seam = Number(v['seam']);
      const [width, height] = [seam + 200, 200];
      const count = stitchesOf(v);
      const order = seamOrder(count, v['order'] === 'skip');
      const pause = Number(v['pause']);
      const stitches = order.map((k, i) => ({
        start: [100 + ((k + 1) * seam) / count, 100],
        end: [100 + (k * seam) / count, 100],
        at: i * pause,
        duration: Math.min(2.6, pause),
        energy: 1000 * Number(v['thickness']),
      }));
      return {
        width,
        height,
        cell: 2,
        thickness: v['thickness'],
        stitches,
        gap: {
          ring: [
            [100, 100],
            [100 + seam, 100],
          ],
          width: 1,
        },
        ...(v['copper'] === 'yes' ? { backing: [{ ring: rectangle(seam, 40, 100, 80), thickness: 6 }] } : {}),
        probes: [[100 + seam / 2, 100 + BESIDE]],
        times: timesOf(v),
      };
    },
    answer: (r, v) => {
      const hottest = Math.max(...r.rise[0]!);
      const ambient = Number(v['ambient']);
      return {
        figure: `${round(ambient + hottest, 0)} °C`,
        sentence: `at most, ${BESIDE} mm beside the middle of the seam (workshop at ${round(ambient, 0)} °C). Compare the other order, and copper behind it.`,
        rows: [
          { name: 'Heat put in', text: `${round(r.energy.put / 1000, 1)} kJ` },
          { name: 'Still in sheet and copper at the end', text: `${round(r.energy.held / 1000, 1)} kJ` },
        ],
      };
    },
    chart: (r, v, write) => {
      const warm = temperatures(write);
      return {
        title: `How warm it gets ${write.length(BESIDE)} beside the middle of the seam`,
        x: { name: 'From the first stitch', unit: 's', min: 0 },
        y: { name: 'Temperature', unit: warm.unit, min: 0 },
        series: [
          {
            kind: 'line',
            name: 'beside the middle',
            points: timesOf(v).map((time, i) => [time, warm.of(Number(v['ambient']) + r.rise[0]![i]!)] as const),
          },
        ],
        marks: [{ name: 'hand-warm', y: warm.of(HAND_WARM) }],
      };
    },
  }),
];

/** 0, half, quarter … as far from the last ones as can be; or from end to end. */
function seamOrder(count: number, skip: boolean): number[] {
  const all = Array.from({ length: count }, (_, i) => i);
  if (!skip) return all;
  const order: number[] = [];
  while (order.length < count) {
    const left = all.filter((k) => !order.includes(k));
    const away = (k: number) => order.slice(-4).reduce((least, o) => Math.min(least, Math.abs(o - k)), count);
    order.push(left.reduce((a, b) => (away(b) > away(a) ? b : a)));
  }
  return order;
}
