import type { Bend, Relief, Profile } from '@aspecta/core/shape';
import type { Point } from '@aspecta/core/geometry';
import { page, round, type BookPage, type BookField, type Values } from '../page.ts';
import { arcLine, thickLine } from '../drawing.ts';

/** Legs that a profile may have here. */
const LEGS = [1, 2, 3, 4, 5] as const;
/** Outside lengths up to the first that is none, mm. */
function legsOf(v: Values): number[] {
  const all = LEGS.map((n) => Number(v[`leg${n}`] ?? 0));
  const end = all.findIndex((leg) => !(leg > 0));
  return end < 0 ? all : all.slice(0, end);
}
/** From both edges inwards, so that the folder's jaw still reaches (common practice, no published source). */
const foldOrder = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => (i % 2 === 0 ? 1 + i / 2 : count - (i - 1) / 2));

export const foldPages: readonly BookPage[] = [
  page<Profile>({
    key: 'profile',
    calc: 'shape.profile',
    title: 'Folded profile',
    wants: 'work out the flat width and the bend marks of a channel, a box or a Z',
    group: 'Shape',
    words: 'channel box hat top section z flange fold brake return lip girdle strip sill',
    fields: [
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 1 },
      { key: 'radius', label: 'Inside radius of the bends', kind: 'sheet', usual: 2 },
      ...LEGS.flatMap((n): BookField[] => [
        {
          key: `leg${n}`,
          label: `Leg ${n}, outside`,
          kind: 'length',
          usual: [20, 60, 20, 0, 0][n - 1]!,
          feeds: ['legs'],
          when: (v) => LEGS.slice(0, n - 1).every((before) => Number(v[`leg${before}`]) > 0),
        },
        ...(n < LEGS.length
          ? [
              {
                key: `bend${n}`,
                label: `Bend after leg ${n}, up is more than 0, down less`,
                kind: 'number' as const,
                usual: 90,
                unit: '°',
                feeds: ['bends'],
                when: (v: Values) =>
                  LEGS.slice(0, n).every((before) => Number(v[`leg${before}`]) > 0) &&
                  Number(v[`leg${n + 1}`] ?? 0) > 0,
              },
            ]
          : []),
      ]),
    ],
    input: (v) => {
      const legs = legsOf(v);
      return {
        thickness: v['thickness'],
        legs,
        bends: legs.slice(1).map((_, i) => ({
          angle: Math.abs(Number(v[`bend${i + 1}`])),
          radius: v['radius'],
          turn: Number(v[`bend${i + 1}`]) < 0 ? 'down' : 'up',
        })),
      };
    },
    answer: (r, v, write) => ({
      figure: `${write.length(r.flat)} flat`,
      sentence: `Cut the strip this wide, mark ${r.bends.length === 1 ? 'the middle of the bend' : 'the middles of the bends'}, and fold from the edges inwards.`,
      rows: [
        ...r.bends.map(({ middle, from, to }, i) => ({
          name: `Middle of bend ${i + 1}, from the first edge`,
          text: `${write.length(middle)} (${write.length(from)} to ${write.length(to)})`,
        })),
        ...legsOf(v)
          .slice(1, -1)
          .map((leg, i) => ({
            name: `Former for leg ${i + 2}, inside`,
            text: write.length(Math.max(0, leg - 2 * Number(v['thickness']))),
          })),
        { name: 'Order of folds', text: foldOrder(r.bends.length).join(', ') },
      ],
    }),
    draw: (r, v) => {
      const [t, radius] = [Number(v['thickness']), Number(v['radius'])];
      let [at, heading]: [Point, number] = [[0, 0], 0];
      const line: Point[] = [at];
      let before = 0;
      const go = (length: number) => {
        at = [at[0] + length * Math.cos(heading), at[1] + length * Math.sin(heading)];
        line.push(at);
      };
      r.bends.forEach(({ from, to }, i) => {
        go(from - before);
        const turn = (Number(v[`bend${i + 1}`]) * Math.PI) / 180;
        const steps = 12;
        for (let k = 0; k < steps; k++) {
          heading += turn / steps;
          go((Math.abs(turn) * (radius + t / 2)) / steps);
        }
        before = to;
      });
      go(r.flat - before);
      return {
        label: 'The folded profile from its end',
        parts: [
          { kind: 'area', rings: [thickLine(line, t)], look: 'metal' },
          { kind: 'dots', points: [line[0]!], look: 'mark' },
          { kind: 'text', at: [line[0]![0] - 3, line[0]![1]], text: 'first edge', anchor: 'end' },
        ],
      };
    },
  }),
  page<Bend>({
    key: 'bend',
    calc: 'shape.bend',
    title: 'Bend',
    wants: 'work out the flat length of a bent piece',
    group: 'Shape',
    words: 'fold allowance deduction setback k-factor brake length',
    fields: [
      { key: 'angle', label: 'Bend, out of flat', kind: 'number', usual: 90, unit: '°' },
      { key: 'radius', label: 'Inside radius', kind: 'sheet', usual: 2 },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 1 },
      { key: 'legA', label: 'One leg, outside', kind: 'length', usual: 40, feeds: [] },
      { key: 'legB', label: 'Other leg, outside', kind: 'length', usual: 25, feeds: [] },
    ],
    input: ({ angle, radius, thickness }) => ({ angle, radius, thickness }),
    answer: (r, { legA, legB }, write) => ({
      figure: `${round(Number(legA) + Number(legB) - r.deduction, 2)} mm flat`,
      sentence: `Cut the strip this long; the bend takes ${round(r.allowance, 2)} mm of it.`,
      rows: [
        { name: 'Bend deduction', text: `${round(r.deduction, 2)} mm` },
        { name: 'Setback', text: `${round(r.setback, 2)} mm` },
        {
          name: 'Bend line from the end of the first leg',
          text:
            write.unit === 'in'
              ? `${write.length(Number(legA) - r.setback + r.allowance / 2)}`
              : `${round(Number(legA) - r.setback + r.allowance / 2, 2)} mm`,
        },
        { name: 'Neutral line from the inside', text: `${round(r.kFactor * 100, 0)} % of the sheet` },
      ],
    }),
    draw: (r, v) => {
      const [t, radius, angle] = [Number(v['thickness']), Number(v['radius']), Number(v['angle'])];
      const middle = radius + t / 2;
      const straight = [
        Math.max(1, Number(v['legA']) - r.setback),
        Math.max(1, Number(v['legB']) - r.setback),
      ] as const;
      const bendLine = arcLine([0, middle], middle, -90, -90 + angle);
      const end = bendLine.at(-1)!;
      const way = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)] as const;
      const line: Point[] = [
        [-straight[0], 0],
        ...bendLine,
        [end[0] + way[0] * straight[1], end[1] + way[1] * straight[1]],
      ];
      return {
        label: `A strip bent by ${angle} degrees`,
        parts: [
          { kind: 'area', rings: [thickLine(line, t)], look: 'metal' },
          {
            kind: 'size',
            from: [-straight[0], -t / 2],
            to: [r.setback, -t / 2],
            text: `${round(Number(v['legA']), 1)} mm`,
            off: -26,
          },
          { kind: 'text', at: [0, middle + t], text: `r ${round(radius, 1)} mm`, anchor: 'middle' },
        ],
      };
    },
  }),
  page<Relief>({
    key: 'corner',
    calc: 'shape.cornerRelief',
    title: 'Corner of a folded skin',
    wants: 'notch a corner so that two folded edges meet',
    group: 'Shape',
    words: 'notch relief corner hem door skin fold mitre',
    fields: [
      { key: 'flangeA', label: 'Edge along the bottom', kind: 'length', usual: 15 },
      { key: 'flangeB', label: 'Edge up the side', kind: 'length', usual: 15 },
      { key: 'corner', label: 'Corner', kind: 'number', usual: 90, unit: '°' },
      {
        key: 'fold',
        label: 'Folded by',
        kind: 'number',
        usual: 180,
        unit: '°',
        hint: '90 stands square, 180 lies on the skin',
      },
      { key: 'radius', label: 'Inside bend radius', kind: 'sheet', usual: 0.9 },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
    ],
    input: (v) => ({ ...v, gap: 1 }),
    answer: (r, _v, write) => ({
      figure: `${round(r.notch, 0)}° notch`,
      sentence: `Uncut, the tip of the corner lies ${write.length(r.surplus)} from the folds: folded, that collides and stands up.`,
      rows: [
        { name: 'Cut back along the bottom edge', text: write.length(r.backA) },
        { name: 'Cut back along the side edge', text: write.length(r.backB) },
        { name: 'Round the root', text: `R ${write.length(r.rootRadius)}` },
      ],
    }),
    draw: (r, v) => {
      const [a, b, c] = [Number(v['flangeA']), Number(v['flangeB']), (Number(v['corner']) * Math.PI) / 180];
      const size = 4 * Math.max(a, b, 10);
      // Fold A runs along u, fold B at the corner angle from it; the skin lies between them.
      const along: Point = [Math.cos(c), Math.sin(c)];
      const out: Point = [-Math.sin(c), Math.cos(c)];
      const onB = (s: number, w: number): Point => [along[0] * s + out[0] * w, along[1] * s + out[1] * w];
      return {
        label: 'The corner laid flat: skin, two edges, and the notch between them',
        parts: [
          {
            kind: 'area',
            rings: [
              [
                [0, 0],
                [size, 0],
                [size, -a],
                [r.backA, -a],
              ],
            ],
            look: 'metal',
          },
          { kind: 'area', rings: [[[0, 0], onB(size, 0), onB(size, b), onB(r.backB, b)]], look: 'metal' },
          {
            kind: 'area',
            rings: [[[0, 0], [size, 0], [size * (1 + along[0]) * 0.8, size * along[1] * 0.8], onB(size, 0)]],
            look: 'ghost',
          },
          { kind: 'line', points: [[r.backA, -a], [0, 0], onB(r.backB, b)], look: 'mark' },
          { kind: 'text', at: [size * 0.45, size * 0.4], text: 'skin', anchor: 'middle' },
        ],
      };
    },
  }),
];
