import { MATERIALS, type BuildUp, type Plugs, type Tack, type WeldSettings } from '@aspecta/core/weld';
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

const ALL_PROCESSES = [...PROCESS.options, { value: 'gas', label: 'gas' }, { value: 'spot', label: 'spot' }] as const;
/** Which metal a page is about. */
export const MATERIAL = {
  key: 'material',
  label: 'Material',
  kind: 'choice',
  usual: 'steel',
  options: Object.entries(MATERIALS).map(([value, { name }]) => ({ value, label: name })),
} as const;

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
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
      { key: 'other', label: 'The other sheet', kind: 'sheet', usual: 0.9 },
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
    into: (given) => ({
      station: 'weld',
      query: { process: given('process'), position: given('position'), other: given('other') },
    }),
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
  page<{ tacks: Tack[] }>({
    key: 'tacks',
    calc: 'weld.tacks',
    title: 'Tacks',
    wants: 'space tacks and see their order',
    group: 'Weld',
    words: 'tack pitch spacing seam',
    fields: [
      { key: 'length', label: 'Length of the seam', kind: 'length', usual: 400, feeds: ['seam'] },
      { key: 'pitch', label: 'Pitch', kind: 'length', usual: 25, hint: 'MIG 25 mm, TIG 13 mm' },
    ],
    input: ({ length, pitch }) => ({ seam: { length }, pitch }),
    into: (given) => ({ station: 'weld', query: { pitch: given('pitch') } }),
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
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
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
  page<BuildUp>({
    key: 'build-up',
    calc: 'weld.buildUp',
    title: 'Build up an edge',
    wants: 'bring a short edge forward with bead, or let in a strip',
    group: 'Weld',
    words: 'bead build up low short edge passes pause strip gap',
    fields: [
      { key: 'length', label: 'Length of the edge', kind: 'length', usual: 200 },
      { key: 'low', label: 'How much is missing', kind: 'length', usual: 2 },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
      { ...PROCESS, options: ALL_PROCESSES.slice(0, 3) },
      MATERIAL,
      { key: 'limit', label: 'Cooled to, before the next pass', kind: 'heat', usual: 50 },
    ],
    input: (v) => ({ ...v }),
    answer: (r, _v, write) => ({
      figure: r.better === 'strip' ? 'let in a strip' : `${r.passes} ${r.passes === 1 ? 'pass' : 'passes'}`,
      sentence: r.why,
      rows: [
        { name: 'With bead', text: `${r.passes} × ${write.length(r.each)}, about ${round(r.minutes, 0)} min` },
        ...(r.pauses.length > 0
          ? [{ name: 'Pauses between', text: r.pauses.map((pause) => `${Math.ceil(pause / 60)} min`).join(', ') }]
          : []),
        { name: 'With a strip', text: `about ${round(r.strip, 0)} min` },
      ],
    }),
    draw: (r, { length, low }, write) => {
      // Low as it is beside its length, a pass would not be seen: drawn as high as it needs.
      const [wide, high] = [Number(length), Number(length) / 8];
      return {
        label: 'The edge with its passes of bead, one on the other',
        parts: [
          { kind: 'area', rings: [rectangle(wide, high, 0, -high)], look: 'metal' },
          ...Array.from({ length: r.passes }, (_, i) => ({
            kind: 'area' as const,
            rings: [rectangle(wide, high / r.passes, 0, (i * high) / r.passes)],
            look: 'mark' as const,
          })),
          { kind: 'size', from: [0, -high], to: [wide, -high], text: write.length(wide), off: -26 },
          { kind: 'size', from: [wide, 0], to: [wide, high], text: write.length(Number(low)), off: -26 },
        ],
      };
    },
  }),
];
