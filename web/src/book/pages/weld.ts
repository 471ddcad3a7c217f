import { MATERIALS, type Field, type Plugs, type Tack, type WeldMaterial, type WeldSettings } from '@aspecta/core/weld';
import { page, round, type BookPage } from '../page.ts';
import { rectangle } from '../drawing.ts';

const PROCESS = {
  key: 'process',
  label: 'Process',
  kind: 'choice',
  usual: 'mig',
  options: [
    { value: 'mig', label: 'MIG' },
    { value: 'tig', label: 'TIG' },
  ],
} as const;

/** °C at which a place can be touched, and the next stitch may begin there (T-09). */
const HAND_WARM = 50;
const ALL_PROCESSES = [...PROCESS.options, { value: 'gas', label: 'gas' }, { value: 'spot', label: 'spot' }] as const;
const MATERIAL = {
  key: 'material',
  label: 'Material',
  kind: 'choice',
  usual: 'steel',
  options: Object.entries(MATERIALS).map(([value, { name }]) => ({ value, label: name })),
} as const;
const WORKSHOP = { key: 'ambient', label: 'Workshop', kind: 'number', usual: 20, unit: '°C' } as const;

export const weldPages: readonly BookPage[] = [
  page<WeldSettings>({
    key: 'settings',
    calc: 'weld.settings',
    title: 'Welder settings',
    wants: 'set the welder for a sheet',
    group: 'Weld',
    words: 'amps volts current wire gas mig tig',
    fields: [
      { ...PROCESS, options: ALL_PROCESSES },
      MATERIAL,
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '0.9 mm' },
      { key: 'other', label: 'The other sheet', kind: 'sheet', usual: '0.9 mm' },
      {
        key: 'position',
        label: 'Position',
        kind: 'choice',
        usual: 'flat',
        options: [
          { value: 'flat', label: 'flat' },
          { value: 'vertical', label: 'vertical' },
          { value: 'overhead', label: 'overhead' },
        ],
      },
    ],
    input: (v) => ({ ...v }),
    answer: (r) => ({
      figure: r.tackCurrent === null ? r.gas : `${r.tackCurrent} A tack, ${r.seamCurrent} A seam`,
      sentence: r.notes[0]!,
      rows: [
        ...(r.volts === null ? [] : [{ name: 'Voltage', text: `${round(r.volts, 1)} V, ${r.polarity}` }]),
        ...(r.filler === null ? [] : [{ name: 'Wire or rod', text: `${r.filler} mm` }]),
        ...(r.travel === null ? [] : [{ name: 'Travel', text: `${r.travel} mm/s` }]),
        ...(r.gasFlow === null ? [] : [{ name: 'Gas', text: `${r.gas}, ${r.gasFlow} l/min` }]),
        ...r.notes.slice(1).map((text) => ({ name: 'Mind', text })),
      ],
    }),
    draw: (r, { thickness }) => {
      const t = Number(thickness);
      return {
        label: 'Butt joint with its gap',
        parts: [
          { kind: 'area', rings: [rectangle(20 * t, t, -20 * t - t / 2)], look: 'metal' },
          { kind: 'area', rings: [rectangle(20 * t, t, t / 2)], look: 'metal' },
          { kind: 'size', from: [-t / 2, 0], to: [t / 2, 0], text: `gap up to ${round(t, 1)} mm`, off: -20 },
          {
            kind: 'line',
            points: [
              [0, t * 1.2],
              [-4 * t, t * 8],
            ],
            look: 'mark',
          },
          {
            kind: 'text',
            at: [-4 * t, t * 8.6],
            text: r.volts === null ? r.gas : `${r.filler} mm, ${round(r.volts, 1)} V`,
            look: 'mark',
            anchor: 'middle',
          },
        ],
      };
    },
  }),
  page<{ t85: number }>({
    key: 'cooling',
    calc: 'weld.cooling',
    title: 'Cooling time',
    wants: 'tell how fast a weld cools from 800 to 500 °C',
    group: 'Weld',
    words: 't8/5 heat input preheat hard brittle',
    fields: [
      { key: 'heatInput', label: 'Heat input, efficiency included', kind: 'number', usual: 0.1, unit: 'kJ/mm' },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '1.2 mm' },
      { key: 'preheat', label: 'Before welding', kind: 'number', usual: 20, unit: '°C' },
    ],
    input: (v) => ({ ...v }),
    answer: (r) => ({
      figure: `${round(r.t85, 1)} s`,
      sentence: 'from 800 to 500 °C, heat flowing in the plane of the sheet.',
      rows: [],
    }),
    draw: (r) => {
      const curve = Array.from({ length: 31 }, (_, i): [number, number] => {
        const t = (i / 30) * 2;
        return [t * 60, (1 / Math.sqrt(1 / 64 + t * (1 / 25 - 1 / 64))) * 10];
      });
      return {
        label: 'Temperature after the weld',
        parts: [
          { kind: 'line', points: curve, look: 'line' },
          {
            kind: 'line',
            points: [
              [0, 80],
              [0, 0],
              [130, 0],
            ],
            look: 'thin',
          },
          {
            kind: 'line',
            points: [
              [60, 0],
              [60, 50],
            ],
            look: 'ghost',
          },
          { kind: 'text', at: [0, 84], text: '800 °C' },
          { kind: 'text', at: [63, 52], text: `500 °C after ${round(r.t85, 1)} s`, look: 'mark' },
        ],
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
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '0.9 mm' },
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
            ? `In a workshop at ${v['ambient']} °C: hand-warm, the next stitch may begin here.`
            : `In a workshop at ${v['ambient']} °C: too warm to touch; wait, or weld elsewhere.`,
        rows: [{ name: 'Above the workshop', text: `${round(r.rise, 1)} K` }],
      };
    },
    draw: (r, v) => ({
      label: 'The weld and the place',
      parts: [
        { kind: 'area', rings: [rectangle(Number(v['distance']) * 2 + 40, 60, -20, -30)], look: 'metal' },
        {
          kind: 'line',
          points: [
            [0, -6],
            [0, 6],
          ],
          look: 'alarm',
        },
        { kind: 'dots', points: [[Number(v['distance']), 0]], look: 'mark' },
        {
          kind: 'text',
          at: [Number(v['distance']), 8],
          text: r.holds ? `${round(Number(v['ambient']) + r.rise, 0)} °C` : 'molten or nearly so',
          anchor: 'middle',
          look: 'mark',
        },
        { kind: 'text', at: [0, 12], text: 'weld', anchor: 'middle' },
      ],
    }),
  }),
  page<{ tacks: Tack[] }>({
    key: 'tacks',
    calc: 'weld.tacks',
    title: 'Tacks',
    wants: 'space tacks and see their order',
    group: 'Weld',
    words: 'tack pitch spacing seam',
    fields: [
      { key: 'length', label: 'Length of the seam', kind: 'length', usual: 400, feeds: ['seam'] },
      { key: 'pitch', label: 'Pitch', kind: 'length', usual: 25, hint: 'MIG 25, TIG 13 mm' },
    ],
    input: ({ length, pitch }) => ({ seam: { length }, pitch }),
    answer: (r, _v, write) => ({
      figure: `${r.tacks.length} tacks`,
      sentence: 'Ends first, then the middle, then every gap halved.',
      rows: r.tacks.slice(0, 9).map((tack) => ({ name: `Tack ${tack.order}`, text: write.length(tack.at) })),
    }),
    draw: (r, { length }, write) => ({
      label: 'The seam with its tacks, numbered in their order',
      parts: [
        {
          kind: 'line',
          points: [
            [0, 0],
            [Number(length), 0],
          ],
          look: 'line',
        },
        { kind: 'dots', points: r.tacks.map((tack) => [tack.at, 0] as [number, number]), look: 'mark' },
        ...(r.tacks.length <= 25
          ? r.tacks.map((tack) => ({
              kind: 'text' as const,
              at: [tack.at, Number(length) * 0.025] as [number, number],
              text: String(tack.order),
              anchor: 'middle' as const,
            }))
          : []),
        { kind: 'size', from: [0, 0], to: [Number(length), 0], text: write.length(Number(length)), off: -26 },
      ],
    }),
  }),
  page<Plugs>({
    key: 'plugs',
    calc: 'weld.plugs',
    title: 'Plug welds',
    wants: 'space plug holes along a flange',
    group: 'Weld',
    words: 'plug hole pitch spot rosette flange',
    fields: [
      { key: 'length', label: 'Length of the flange', kind: 'length', usual: 480 },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '0.9 mm' },
      { key: 'endMargin', label: 'From each end', kind: 'length', usual: 15 },
    ],
    input: (v) => ({ ...v }),
    answer: (r, _v, write) => ({
      figure: `${r.positions.length} holes of ${r.hole} mm`,
      sentence: `${r.pitch === null ? 'One in the middle' : `${write.unit === 'in' ? write.length(r.pitch) : `${round(r.pitch, 1)} mm`} apart`}; weld from the centre outwards.`,
      rows: [
        { name: 'Weld at the joint', text: `${round(r.nugget.least, 1)} to ${round(r.nugget.usual, 1)} mm across` },
        {
          name: 'Marks from the end',
          text:
            r.positions.map((at) => (write.unit === 'in' ? write.length(at) : round(at, 0))).join(', ') +
            (write.unit === 'in' ? '' : ' mm'),
        },
      ],
    }),
    draw: (r, { length }, write) => ({
      label: 'The flange with its holes, numbered in the order of welding',
      parts: [
        { kind: 'area', rings: [rectangle(Number(length), 20, 0, -10)], look: 'metal' },
        { kind: 'dots', points: r.positions.map((at) => [at, 0] as [number, number]), look: 'mark' },
        ...(r.positions.length <= 25
          ? r.order.map((index, i) => ({
              kind: 'text' as const,
              at: [r.positions[index]!, 14] as [number, number],
              text: String(i + 1),
              anchor: 'middle' as const,
            }))
          : []),
        { kind: 'size', from: [0, -10], to: [Number(length), -10], text: write.length(Number(length)), off: -26 },
      ],
    }),
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
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '0.9 mm' },
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
    ],
    input: (v) => {
      const seam = Number(v['seam']);
      const [width, height] = [seam + 200, 200];
      const count = Math.max(1, Math.round(seam / 13));
      const order = seamOrder(count, v['order'] === 'skip');
      const pause = Number(v['pause']);
      const stitches = order.map((k, i) => ({
        start: [100 + ((k + 1) * seam) / count, 100],
        end: [100 + (k * seam) / count, 100],
        at: i * pause,
        duration: Math.min(2.6, pause),
        energy: 1000 * Number(v['thickness']),
      }));
      const end = count * pause + 60;
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
        probes: [[100 + seam / 2, 112]],
        times: Array.from({ length: 80 }, (_, i) => (end * (i + 1)) / 80),
      };
    },
    answer: (r) => {
      const hottest = Math.max(...r.rise[0]!);
      return {
        figure: `${round(20 + hottest, 0)} °C`,
        sentence:
          'at most, 12 mm beside the middle of the seam (workshop at 20 °C). Compare the other order, and copper behind it.',
        rows: [
          { name: 'Heat put in', text: `${round(r.energy.put / 1000, 1)} kJ` },
          { name: 'Still in sheet and copper at the end', text: `${round(r.energy.held / 1000, 1)} kJ` },
        ],
      };
    },
    draw: (r) => {
      const most = Math.max(...r.rise[0]!, 1);
      const line = r.rise[0]!.map((rise, i): [number, number] => [i * 2, (rise / most) * 90]);
      return {
        label: 'Temperature beside the middle of the seam over time',
        parts: [
          { kind: 'area', rings: [[[0, 0], ...line, [158, 0]]], look: 'metal' },
          { kind: 'line', points: line, look: 'mark' },
          {
            kind: 'line',
            points: [
              [0, 98],
              [0, 0],
              [165, 0],
            ],
            look: 'line',
          },
          {
            kind: 'line',
            points: [
              [0, Math.min(95, (30 / most) * 90)],
              [160, Math.min(95, (30 / most) * 90)],
            ],
            look: 'ghost',
          },
          { kind: 'text', at: [161, Math.min(95, (30 / most) * 90)], text: '50 °C' },
          { kind: 'text', at: [2, 96], text: `${round(20 + most, 0)} °C`, look: 'mark' },
          { kind: 'text', at: [158, -6], text: 'time', anchor: 'end' },
        ],
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
