import type { DrillOut, Passage } from '@aspecta/core/cut';
import { page, round, type BookPage } from '../page.ts';
import { rectangle } from '../drawing.ts';

export const cutPages: readonly BookPage[] = [
  page<Passage>({
    key: 'opening',
    calc: 'cut.passage',
    title: 'Through the opening',
    wants: 'see whether a pan or panel goes through a door or hatch',
    group: 'Cut',
    words: 'pass fit floor pan hatch size clearance',
    fields: [
      { key: 'length', label: 'Length of the piece', kind: 'length', usual: 1100, feeds: ['piece'] },
      { key: 'width', label: 'Width of the piece', kind: 'length', usual: 640, feeds: [] },
      { key: 'depth', label: 'Depth, flanges included', kind: 'length', usual: 60 },
      { key: 'a', label: 'Opening, wide', kind: 'length', usual: 620, feeds: ['opening'] },
      { key: 'b', label: 'Opening, high', kind: 'length', usual: 540, feeds: [] },
      { key: 'clearance', label: 'Play in all', kind: 'length', usual: 50, hint: 'usual: 50 mm (2 in)' },
    ],
    input: (v) => ({
      piece: [rectangle(Number(v['length']), Number(v['width']))],
      depth: v['depth'],
      opening: { a: v['a'], b: v['b'] },
      clearance: v['clearance'],
    }),
    answer: (r, _v, write) => ({
      figure: r.passes ? 'it passes' : 'it does not pass',
      sentence: r.how,
      rows: [
        { name: 'Play beyond the clearance', text: write.length(r.margin) },
        { name: 'Section that must pass', text: `${write.length(r.section.width)} × ${write.length(r.section.depth)}` },
        { name: 'Turn in the opening', text: `${round(r.turn, 1)}°` },
      ],
    }),
    draw: (r, v, write) => {
      const [a, b] = [Number(v['a']), Number(v['b'])];
      const flat = a >= b;
      const turn = ((flat ? r.turn : 90 - r.turn) * Math.PI) / 180;
      const [p, q] = [Math.max(r.section.width, r.section.depth), Math.min(r.section.width, r.section.depth)];
      const corner = (s: number, t: number): [number, number] => [
        a / 2 + (s * p * Math.cos(turn)) / 2 - (t * q * Math.sin(turn)) / 2,
        b / 2 + (s * p * Math.sin(turn)) / 2 + (t * q * Math.cos(turn)) / 2,
      ];
      return {
        label: 'The opening with the section of the piece in it',
        parts: [
          { kind: 'line', points: rectangle(a, b), look: 'line', closed: true },
          {
            kind: 'area',
            rings: [[corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)]],
            look: r.passes ? 'metal' : 'alarm',
          },
          { kind: 'size', from: [0, 0], to: [a, 0], text: write.length(a), off: -24 },
          { kind: 'size', from: [0, b], to: [0, 0], text: write.length(b), off: -24 },
        ],
      };
    },
  }),
  page<DrillOut>({
    key: 'drill',
    calc: 'cut.drillOut',
    title: 'Drill out spot welds',
    wants: 'count the spot welds of a seam and the time to drill them',
    group: 'Cut',
    words: 'spot weld drill cutter seam hours time',
    fields: [
      { key: 'length', label: 'Length of the seam', kind: 'length', usual: 640, feeds: ['seams'] },
      { key: 'pitch', label: 'Spot pitch', kind: 'length', usual: 40, feeds: [] },
      { key: 'sheets', label: 'Sheets', kind: 'number', usual: 2, feeds: [] },
      {
        key: 'hidden',
        label: 'They are',
        kind: 'choice',
        usual: 'no',
        feeds: [],
        options: [
          { value: 'no', label: 'in plain view' },
          { value: 'yes', label: 'under sealer or a flange' },
        ],
      },
      { key: 'minutes', label: 'Usual time each', kind: 'number', usual: 1.75, unit: 'min', feeds: ['minutesEach'] },
    ],
    input: (v) => ({
      seams: [{ length: v['length'], pitch: v['pitch'], sheets: v['sheets'], hidden: v['hidden'] === 'yes' }],
      minutesEach: v['minutes'],
    }),
    answer: (r) => ({
      figure: `${r.count} welds`,
      sentence: `About ${round(r.minutes, 0)} minutes. ${r.notes[0]!}`,
      rows: [
        { name: 'First weld from the end', text: `${round(r.positions[0]![0]!, 1)} mm` },
        { name: 'Begin at', text: `${round(r.order[0]!.at, 0)} mm, then outwards` },
      ],
    }),
    draw: (r, v, write) => {
      const length = Number(v['length']);
      return {
        label: `A flange with ${r.count} spot welds`,
        parts: [
          { kind: 'area', rings: [rectangle(length, 16, 0, -8)], look: 'metal' },
          { kind: 'dots', points: r.positions[0]!.map((at) => [at, 0] as [number, number]), look: 'mark' },
          { kind: 'size', from: [0, -8], to: [length, -8], text: write.length(length), off: -28 },
        ],
      };
    },
  }),
];
