import type { Square } from '@aspecta/core/hold';
import type { Trim } from '@aspecta/core/fit';
import { CORNER_TAPES, type CornerTape } from '@aspecta/contract/hold';
import { cornersText, sideText } from '../../hold/cornersText.ts';
import type { Drawn } from '../drawing.ts';
import { lengthsOf, page, round, type BookPage } from '../page.ts';

/** Times that what has to be moved or trimmed is drawn as far as it is. */
const ENLARGED = 20;

/* Is an opening square, and how does a gap that runs to nothing become even. */
export const fitPages: readonly BookPage[] = [
  page<Square>({
    key: 'corners',
    calc: 'hold.square',
    title: 'Four corners',
    wants: 'see whether an opening is square and which corner to move',
    group: 'Hold',
    words: 'square diagonal opening floor frame rack skew corner parallelogram',
    fields: [
      ...CORNER_TAPES.map((tape, i) => ({
        key: tape,
        label: i < 4 ? `Side ${sideText(tape)}` : `Diagonal ${sideText(tape)}`,
        kind: 'length' as const,
        usual: [1180, 905, 1180, 905, 1490, 1484.5][i]!,
        feeds: [i < 4 ? 'sides' : 'diagonals'],
      })),
      { key: 'sd', label: 'A tape is good to', kind: 'length', usual: 1 },
    ],
    input: (v) => {
      const [ab, bc, cd, da, ac, bd] = CORNER_TAPES.map((tape) => Number(v[tape]));
      return { sides: [ab, bc, cd, da], diagonals: [ac, bd], sd: v['sd'] };
    },
    into: (given) => ({
      station: 'hold',
      query: {
        figure: 'corners',
        opening: '',
        ...Object.fromEntries(CORNER_TAPES.map((tape: CornerTape) => [tape, given(tape)])),
      },
    }),
    answer: (r, _v, write) => ({
      figure: write.length(Math.abs(r.difference)),
      sentence: `Between the diagonals. ${cornersText(r, write.length).join(' ')}`,
      rows: r.corners.map((angle, i) => ({ name: `Corner ${'ABCD'[i]}`, text: `${round(angle, 2)}°` })),
    }),
    draw: (r) => {
      const at = r.at.map(([u, v]): [number, number] => [u, -v]);
      const [a, b, c, d] = at as [[number, number], [number, number], [number, number], [number, number]];
      /** Letters stand beside their corners. */
      const aside = 0.035 * r.at[1][0];
      const moved = (from: [number, number], [along, away]: readonly [number, number]): Drawn => ({
        kind: 'line',
        points: [from, [from[0] + along * ENLARGED, from[1] - away * ENLARGED]],
        look: 'alarm',
      });
      return {
        label: `The opening with its corners; where C and D have to go, drawn ${ENLARGED} times as far`,
        parts: [
          { kind: 'line', points: at, look: 'line', closed: true },
          { kind: 'line', points: [a, c], look: 'thin' },
          { kind: 'line', points: [b, d], look: 'thin' },
          ...(r.closes ? [moved(c, r.moves.c), moved(d, r.moves.d)] : []),
          { kind: 'dots', points: at, look: 'mark' },
          ...at.map((corner, i): Drawn => ({
            kind: 'text',
            at: [corner[0] + (i === 0 || i === 3 ? -aside : aside), corner[1] + (i < 2 ? aside : -aside)],
            text: 'ABCD'[i]!,
            look: 'mark',
            anchor: 'middle',
          })),
        ],
      };
    },
  }),
  page<Trim>({
    key: 'wedge',
    calc: 'fit.trim',
    title: 'A gap that runs to nothing',
    wants: 'trim a wedge so that a gap becomes even',
    group: 'Hold',
    words: 'trim wedge gap taper door fit kerf blade saw',
    fields: [
      {
        key: 'gaps',
        label: 'Gaps along the joint',
        kind: 'lines',
        usual: '4.5\n2.5\n1.5\n0',
        usualInches: '3/16\n3/32\n1/16\n0',
        hint: 'in {unit}, one a line, evenly spaced from one end to the other',
        feeds: ['stations'],
      },
      { key: 'length', label: 'Length of the joint', kind: 'length', usual: 1050, feeds: [] },
      { key: 'wanted', label: 'Gap wanted', kind: 'length', usual: 4, feeds: [] },
      { key: 'kerf', label: 'Width of the blade', kind: 'length', usual: 1 },
    ],
    input: (v, write) => {
      const gaps = lengthsOf(v['gaps'], 'the gaps', write);
      return {
        stations: gaps.map((gap, i) => ({
          at: gaps.length > 1 ? (i * Number(v['length'])) / (gaps.length - 1) : 0,
          gap,
          wanted: v['wanted'],
        })),
        kerf: v['kerf'],
      };
    },
    into: (given) => ({
      station: 'fit',
      query: {
        gaps: given('gaps')
          .trim()
          .split(/\s*\n\s*/)
          .join(';'),
      },
    }),
    answer: (r, v, write) => ({
      figure: `${write.length(r.trim[0]!)} to ${write.length(r.trim.at(-1)!)}`,
      sentence: `Taken off from one end to the other in a straight line${
        r.rounds && r.rounds.length > 0
          ? `, in ${r.rounds.length} ${r.rounds.length === 1 ? 'round' : 'rounds'}: half of what is left, then fit it again`
          : ''
      }.`,
      rows: [
        ...r.trim.map((mm, i) => ({
          name: `${write.length((i * Number(v['length'])) / (r.trim.length - 1))} from the end`,
          text: `${write.length(mm)} off`,
        })),
        ...(r.rounds ?? []).map((mm, i) => ({ name: `Round ${i + 1}, at the widest place`, text: write.length(mm) })),
      ],
    }),
    draw: (r, v) => {
      const n = r.trim.length;
      const at = (i: number) => (i * Number(v['length'])) / (n - 1);
      const edge = r.trim.map((mm, i): [number, number] => [at(i), -mm * ENLARGED]);
      return {
        label: `What is taken off along the joint, drawn ${ENLARGED} times as wide`,
        parts: [
          {
            kind: 'area',
            rings: [[[0, 0], [at(n - 1), 0], ...[...edge].reverse()]],
            look: 'alarm',
          },
          {
            kind: 'line',
            points: [
              [0, 0],
              [at(n - 1), 0],
            ],
            look: 'line',
          },
          { kind: 'line', points: edge, look: 'mark' },
          { kind: 'text', at: [at(n - 1) / 2, 40], text: `width × ${ENLARGED}`, anchor: 'middle' },
        ],
      };
    },
  }),
];
