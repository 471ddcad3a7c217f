import type { AdjustedNetwork, BraceCheck, GapFit } from '@aspecta/core/hold';
import { linesOf, page, round, wordsOf, type BookPage, type Writer } from '../page.ts';

interface Reading {
  points: { id: string; x: number; y: number; fixed?: string[] }[];
  tapes: { from: string; to: string; length: number; sd: number }[];
}

/** "A 0 0 fixed" and "A B 1000.4" lines as points and tapes. */
export function networkOf(points: unknown, tapes: unknown, sd: number, { read }: Pick<Writer, 'read'>): Reading {
  const number = (word: string | undefined, line: string) => {
    const value = read(word ?? '');
    if (value === null) throw new Error(`“${line}” needs a name and lengths.`);
    return value;
  };
  return {
    points: linesOf(points).map((line) => {
      const [id = '', x, y, ...rest] = wordsOf(line);
      const fixed = rest.join(' ').toLowerCase();
      return {
        id,
        x: number(x, line),
        y: number(y, line),
        ...(fixed === ''
          ? {}
          : { fixed: fixed.includes('fixed') ? ['x', 'y'] : [...fixed].filter((c) => 'xy'.includes(c)) }),
      };
    }),
    tapes: linesOf(tapes).map((line) => {
      const [from = '', to = '', length] = wordsOf(line);
      return { from, to, length: number(length, line), sd };
    }),
  };
}

/** Where a gap is read, where it lies in the door, which way it opens, and the place of a hung part that it is. */
const DOOR = [
  ['hingeLow', 'Hinge side, low', 0, 0.12, 180, 'front-lower'],
  ['hingeHigh', 'Hinge side, high', 0, 0.88, 180, 'front-upper'],
  ['lockLow', 'Lock side, low', 1, 0.12, 0, 'rear-lower'],
  ['lockHigh', 'Lock side, high', 1, 0.88, 0, 'rear-upper'],
  ['sill', 'Sill', 0.5, 0, -90, 'lower-middle'],
  ['roof', 'Roof', 0.5, 1, 90, 'upper-middle'],
] as const;

export const holdPages: readonly BookPage[] = [
  page<AdjustedNetwork>({
    key: 'tapes',
    calc: 'hold.tapeNetwork',
    title: 'Tape network',
    wants: 'check diagonals and find the tape that was misread',
    group: 'Hold',
    words: 'square diagonal frame measure blunder error datum',
    fields: [
      {
        key: 'points',
        label: 'Points, at their rough places',
        kind: 'lines',
        usual: 'A 0 0 fixed\nB 1000 0 y\nC 1000 800\nD 0 800\nE 500 400',
        usualInches: 'A 0 0 fixed\nB 40 0 y\nC 40 30\nD 0 30\nE 20 15',
        hint: 'name, x, y in {unit}; “fixed”, “x” or “y” keeps a coordinate',
      },
      {
        key: 'tapes',
        label: 'Tapes',
        kind: 'lines',
        usual:
          'A B 1000.4\nB C 800.2\nC D 999.7\nD A 799.8\nA C 1280.9\nB D 1290.6\nA E 640.2\nB E 640.5\nC E 640.4\nD E 640.1',
        usualInches: 'A B 40\nB C 30\nC D 40\nD A 30\nA C 50\nB D 50 3/8\nA E 25\nB E 25\nC E 25\nD E 25',
        hint: 'from, to, length in {unit}',
      },
      { key: 'sd', label: 'A tape is good to', kind: 'length', usual: 1 },
    ],
    input: ({ points, tapes, sd }, write) => ({ ...networkOf(points, tapes, Number(sd), write) }),
    answer: (r, { points, tapes, sd }, write) => {
      const given = networkOf(points, tapes, Number(sd), write).tapes;
      const bad = r.suspect === null ? null : given[r.suspect]!;
      return {
        figure: bad ? `${bad.from}–${bad.to} is off` : `good to ${round(r.sigma0 ?? 0, 1)} sd`,
        sentence: bad
          ? r.alike.length > 1
            ? 'One tape does not fit, but there are too few to tell which: measure more diagonals.'
            : `The other tapes say ${write.length(bad.length + r.tapes[r.suspect!]!.residual)}, not ${write.length(bad.length)}: tape it again.`
          : 'All tapes fit together within what they are good for.',
        rows: r.points.map((p) => ({
          name: p.id,
          text: `${round(p.x)} ± ${round(p.sd.x)} mm · ${round(p.y)} ± ${round(p.sd.y)} mm`,
        })),
      };
    },
    draw: (r, { points, tapes, sd }, write) => {
      const given = networkOf(points, tapes, Number(sd), write).tapes;
      const at = (id: string) => {
        const p = r.points.find((point) => point.id === id)!;
        return [p.x, p.y] as [number, number];
      };
      return {
        label: 'Points and tapes; a tape that does not fit is marked',
        parts: [
          ...given.map((tape, i) => ({
            kind: 'line' as const,
            points: [at(tape.from), at(tape.to)],
            look: i === r.suspect ? ('alarm' as const) : ('thin' as const),
          })),
          { kind: 'dots', points: r.points.map((p) => [p.x, p.y] as [number, number]), look: 'mark' },
          ...r.points.map((p) => ({
            kind: 'text' as const,
            at: [p.x, p.y] as [number, number],
            text: ` ${p.id}`,
            look: 'mark' as const,
          })),
        ],
      };
    },
  }),
  page<GapFit>({
    key: 'shims',
    calc: 'hold.gaps',
    title: 'Door gaps and shims',
    wants: 'bring a door or lid back into its gap with shims',
    group: 'Hold',
    words: 'hinge sag drop door fit align shim',
    fields: [
      { key: 'width', label: 'Width of the door', kind: 'length', usual: 1080, feeds: ['readings'] },
      { key: 'height', label: 'Height', kind: 'length', usual: 1120, feeds: [] },
      { key: 'wanted', label: 'Gap wanted', kind: 'length', usual: 5, feeds: [] },
      ...DOOR.map(([key, label], i) => ({
        key,
        label,
        kind: 'length' as const,
        usual: [4, 6, 6, 4, 6.5, 4.5][i]!,
        feeds: [],
      })),
      { key: 'shim', label: 'Thinnest shim', kind: 'length', usual: 0.5, feeds: ['shimStep'] },
    ],
    input: (v) => ({
      readings: DOOR.map(([key, , x, y, normal]) => ({
        u: x * Number(v['width']),
        v: y * Number(v['height']),
        normal,
        gap: v[key],
        wanted: v['wanted'],
      })),
      mounts: [
        { id: 'upper hinge', x: 0, y: 0.8 * Number(v['height']) },
        { id: 'lower hinge', x: 0, y: 0.2 * Number(v['height']) },
      ],
      shimStep: v['shim'],
    }),
    into: (given) => ({
      station: 'hold',
      query: {
        tab: 'gaps',
        wanted: given('wanted'),
        shims: given('shim'),
        ...Object.fromEntries(DOOR.map(([key, , , , , place]) => [place, given(key)])),
      },
    }),
    answer: (r) => ({
      figure: r.mounts
        .map((mount) => `${mount.shimU >= 0 ? '+' : '−'}${round(Math.abs(mount.shimU), 2)} mm`)
        .join(' / '),
      sentence: `Shim the upper / lower hinge by this much towards the lock (+) or the hinge (−); ${round(r.rms, 1)} mm of the gaps no movement explains.`,
      rows: [
        ...r.mounts.map((mount) => ({
          name: `${mount.id}, up (+) or down (−)`,
          text: `${round(mount.v, 1)} mm, shims ${round(mount.shimV, 2)} mm`,
        })),
        {
          name: r.movement.v <= 0 ? 'The door has dropped by' : 'The door stands too high by',
          text: `${round(Math.abs(r.movement.v), 1)} mm, turned by ${round(r.movement.turn, 2)}°`,
        },
      ],
    }),
    draw: (r, v) => {
      const [w, h] = [Number(v['width']), Number(v['height'])];
      const moved = (x: number, y: number): [number, number] => {
        const turn = ((r.movement.turn * Math.PI) / 180) * 12;
        const [du, dv] = [x - r.about[0], y - r.about[1]];
        return [x + r.movement.u * 12 - turn * dv, y + r.movement.v * 12 + turn * du];
      };
      return {
        label: 'The opening, and the door as its gaps say it hangs, twelve times exaggerated',
        parts: [
          {
            kind: 'line',
            points: [
              [0, 0],
              [w, 0],
              [w, h],
              [0, h],
            ],
            look: 'line',
            closed: true,
          },
          { kind: 'line', points: [moved(0, 0), moved(w, 0), moved(w, h), moved(0, h)], look: 'mark', closed: true },
          { kind: 'text', at: [w / 2, h / 2], text: 'movement × 12', anchor: 'middle' },
          ...r.mounts.map((mount, i) => ({
            kind: 'text' as const,
            at: [0, h * (i === 0 ? 0.8 : 0.2)] as [number, number],
            text: ` ${mount.id}: ${round(mount.shimU, 2)} mm`,
            look: 'mark' as const,
          })),
          {
            kind: 'dots',
            points: [
              [0, h * 0.8],
              [0, h * 0.2],
            ],
            look: 'mark',
          },
        ],
      };
    },
  }),
  page<BraceCheck>({
    key: 'braces',
    calc: 'hold.braces',
    title: 'Brace check',
    wants: 'see whether a braced opening keeps its shape',
    group: 'Hold',
    words: 'brace tube sill door opening triangle buckling',
    fields: [
      { key: 'width', label: 'Width of the opening', kind: 'length', usual: 1080, feeds: ['joints'] },
      { key: 'height', label: 'Height', kind: 'length', usual: 1120, feeds: [] },
      {
        key: 'lost',
        label: 'Side that is cut out',
        kind: 'choice',
        usual: '0',
        options: [
          { value: '0', label: 'lower (sill)' },
          { value: '1', label: 'rear post' },
          { value: '3', label: 'front post' },
        ],
      },
      {
        key: 'bars',
        label: 'Braces',
        kind: 'choice',
        usual: 'cross',
        feeds: ['braces'],
        options: [
          { value: 'one', label: 'one diagonal' },
          { value: 'cross', label: 'both diagonals' },
          { value: 'level', label: 'one level bar' },
        ],
      },
      { key: 'outer', label: 'Tube, outer diameter', kind: 'length', usual: 25, feeds: ['tube'] },
      { key: 'wall', label: 'Wall', kind: 'sheet', usual: 1.5, feeds: [] },
      { key: 'load', label: 'Push along a brace', kind: 'number', usual: 1500, unit: 'N' },
    ],
    input: (v) => {
      const [w, h] = [Number(v['width']), Number(v['height'])];
      const sides = [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 0],
      ];
      const joints: [number, number][] = [
        [0, 0],
        [w, 0],
        [w, h],
        [0, h],
      ];
      if (v['bars'] === 'level') joints.push([0, h / 2], [w, h / 2]);
      return {
        joints,
        // A level bar is welded to the posts: they count as halves.
        sides:
          v['bars'] === 'level'
            ? [
                [0, 1],
                [1, 5],
                [5, 2],
                [2, 3],
                [3, 4],
                [4, 0],
              ]
            : sides,
        lost:
          v['bars'] === 'level'
            ? v['lost'] === '0'
              ? [[0, 1]]
              : v['lost'] === '1'
                ? [[1, 5]]
                : [[4, 0]]
            : [sides[Number(v['lost'])]!],
        braces:
          v['bars'] === 'one'
            ? [[0, 2]]
            : v['bars'] === 'cross'
              ? [
                  [0, 2],
                  [1, 3],
                ]
              : [[4, 5]],
        tube: { outer: v['outer'], wall: v['wall'] },
        load: v['load'],
      };
    },
    answer: (r) => {
      const least = Math.min(...r.braces.map((brace) => brace.reserve));
      return {
        figure: r.triangulated ? `${round(least, 1)} ×` : 'it can fold',
        sentence: r.triangulated
          ? `Triangulated; the weakest brace buckles at ${round(least, 1)} times this push. Usual is ${r.usualReserve} times or more.`
          : `While that side is missing the opening can still change its shape in ${r.loose} way${r.loose === 1 ? '' : 's'}: add a diagonal.`,
        rows: r.braces.map((brace, i) => ({
          name: `Brace ${i + 1}`,
          text: `${round(brace.length, 0)} mm, buckles at ${round(brace.buckling / 1000, 1)} kN`,
        })),
      };
    },
    draw: (r, v) => {
      const [w, h] = [Number(v['width']), Number(v['height'])];
      const corners: [number, number][] = [
        [0, 0],
        [w, 0],
        [w, h],
        [0, h],
      ];
      const lost = Number(v['lost']);
      const bars: [number, number][][] =
        v['bars'] === 'one'
          ? [[corners[0]!, corners[2]!]]
          : v['bars'] === 'cross'
            ? [
                [corners[0]!, corners[2]!],
                [corners[1]!, corners[3]!],
              ]
            : [
                [
                  [0, h / 2],
                  [w, h / 2],
                ],
              ];
      return {
        label: 'The opening with its braces; the missing side is dashed',
        parts: [
          ...corners.map((p, i) => ({
            kind: 'line' as const,
            points: [p, corners[(i + 1) % 4]!],
            look: i === lost ? ('ghost' as const) : ('line' as const),
          })),
          ...bars.map((points) => ({
            kind: 'line' as const,
            points,
            look: r.triangulated ? ('mark' as const) : ('alarm' as const),
          })),
          { kind: 'dots', points: corners, look: 'line' },
        ],
      };
    },
  }),
];
