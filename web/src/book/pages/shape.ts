import type {
  Bend,
  DevelopedCone,
  FittedArc,
  FlatPattern,
  Flange,
  Nesting,
  Relief,
  Profile,
} from '@aspecta/core/shape';
import type { Point } from '@aspecta/core/geometry';
import { linesOf, page, round, type BookPage, type BookField, type Values } from '../page.ts';
import { readNumber } from '../../shell/typedNumber.ts';
import { arcLine, rectangle, thickLine, type Drawn } from '../drawing.ts';

/** "width × height" or "width × height × count" lines as rectangles. */
export function piecesOf(text: unknown): Point[][] {
  return linesOf(text).flatMap((line) => {
    const [w, h, n = 1] = line.split(/\s*[x×*]\s*/i).map((word) => readNumber(word));
    if (w === null || h === null || n === null || w === undefined || h === undefined)
      throw new Error(`“${line}” must read width × height, or width × height × number.`);
    return Array.from({ length: Math.min(200, Math.max(1, Math.round(n))) }, () => [...rectangle(w, h)]);
  });
}

const pointsOf = (text: unknown): Point[] =>
  linesOf(text).map((line) => {
    const [u, v] = line.split(/\s+/).map((word) => readNumber(word));
    if (u === null || v === null || u === undefined || v === undefined)
      throw new Error(`“${line}” must be two numbers: along and up, mm.`);
    return [u, v];
  });

/** Share by which a sheet can be stretched by hand before it thins and tears; common practice, no published source. */
const MOST_STRETCH = 0.25;

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

export const shapePages: readonly BookPage[] = [
  page<Profile>({
    key: 'profile',
    calc: 'shape.profile',
    title: 'Folded profile',
    wants: 'work out the flat width and the bend marks of a channel, a box or a Z',
    group: 'Shape',
    words: 'channel box hat top section z flange fold brake return lip girdle strip sill',
    fields: [
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '1 mm' },
      { key: 'radius', label: 'Inside radius of the bends', kind: 'sheet', usual: '2 mm' },
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
      { key: 'radius', label: 'Inside radius', kind: 'sheet', usual: '2 mm' },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '1 mm' },
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
          { kind: 'text', at: [0, middle + t], text: `r ${round(radius, 1)}`, anchor: 'middle' },
        ],
      };
    },
  }),
  page<{ relaxedRadius?: number | null; elastic?: boolean; rollRadius?: number }>({
    key: 'springback',
    calc: 'shape.springback',
    title: 'Spring-back',
    wants: 'roll a strip so that it keeps the radius you want',
    group: 'Shape',
    words: 'roll radius open relax arch wheel strip',
    fields: [
      {
        key: 'way',
        label: 'You know',
        kind: 'choice',
        usual: 'wanted',
        feeds: [],
        options: [
          { value: 'wanted', label: 'the radius it must keep' },
          { value: 'rolled', label: 'the radius it is rolled to' },
        ],
      },
      { key: 'radius', label: 'Radius', kind: 'length', usual: 203, feeds: ['radius', 'wantedRadius'] },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '1.2 mm' },
      { key: 'yield', label: 'Yield strength', kind: 'number', usual: 250, unit: 'MPa', hint: 'mild sheet 180 to 280' },
      { key: 'modulus', label: 'Young’s modulus', kind: 'number', usual: 207_000, unit: 'MPa' },
    ],
    input: ({ way, radius, ...sheet }) => ({
      thickness: sheet['thickness'],
      yield: sheet['yield'],
      modulus: sheet['modulus'],
      ...(way === 'wanted' ? { wantedRadius: radius } : { radius }),
    }),
    answer: (r, { radius }, write) =>
      r.rollRadius !== undefined
        ? {
            figure: write.length(r.rollRadius),
            sentence: `Roll it to this radius; it opens to ${write.length(Number(radius))} when let go.`,
            rows: [{ name: 'Tighter by', text: `${round((1 - r.rollRadius / Number(radius)) * 100, 0)} %` }],
          }
        : {
            figure: r.elastic ? 'flat again' : write.length(r.relaxedRadius!),
            sentence: r.elastic
              ? 'Nothing yields at this radius: it springs back flat. Roll much tighter.'
              : 'It opens to this radius when let go.',
            rows: r.elastic
              ? []
              : [{ name: 'Opens by', text: `${round((r.relaxedRadius! / Number(radius) - 1) * 100, 0)} %` }],
          },
    draw: (r, { radius }, write) => {
      const [tight, wide] =
        r.rollRadius !== undefined
          ? [r.rollRadius, Number(radius)]
          : [Number(radius), r.relaxedRadius ?? Number(radius) * 6];
      const length = tight * 2.2;
      const along = (radius: number) =>
        arcLine(
          [0, radius],
          radius,
          -90 - (length / radius / 2) * (180 / Math.PI),
          -90 + (length / radius / 2) * (180 / Math.PI),
        );
      return {
        label: 'The strip as rolled and as it stays',
        parts: [
          { kind: 'line', points: along(wide), look: 'line' },
          { kind: 'line', points: along(tight), look: 'ghost' },
          {
            kind: 'text',
            at: along(tight)[0]!,
            text: `rolled to ${write.length(tight)}`,
            anchor: 'middle',
            look: 'ghost',
          },
          {
            kind: 'text',
            at: along(wide).at(-1)!,
            text: r.elastic ? 'flat again' : `keeps ${write.length(wide)}`,
            anchor: 'middle',
          },
        ],
      };
    },
  }),
  page<Flange>({
    key: 'flange',
    calc: 'shape.flange',
    title: 'Flange and tabs',
    wants: 'slit the flange of an arch or hole so that it folds',
    group: 'Shape',
    words: 'tab wedge slit shrink stretch arch lip',
    fields: [
      {
        key: 'side',
        label: 'The free edge',
        kind: 'choice',
        usual: 'shrink',
        options: [
          { value: 'shrink', label: 'must shrink (outside of a curve)' },
          { value: 'stretch', label: 'must stretch (rim of a hole)' },
        ],
      },
      { key: 'height', label: 'Width of the flange', kind: 'length', usual: 15 },
      { key: 'edgeRadius', label: 'Radius of the fold', kind: 'length', usual: 120 },
      { key: 'tabPitch', label: 'Tab, about', kind: 'length', usual: 40 },
      { key: 'sweep', label: 'Curve goes round', kind: 'number', usual: 180, unit: '°' },
    ],
    input: ({ side, height, edgeRadius, tabPitch, sweep }) => ({ side, height, edgeRadius, tabPitch, sweep }),
    answer: (r, { side }, write) => ({
      figure: `${r.slits} ${side === 'shrink' ? 'wedges' : 'slits'}`,
      sentence:
        side === 'shrink'
          ? `Take out ${round(r.wedgeWidth, 1)} mm at the free edge of each, down to nothing at the fold.`
          : `Slit only: each opens by itself to ${round(r.opening, 1)} mm at the free edge.`,
      rows: [
        { name: 'Tabs', text: `${r.tabs}, each ${write.length(r.tabWidth)}` },
        { name: 'Change of the free edge', text: `${round(r.strain * 100, 1)} %` },
        { name: 'Length along the fold', text: write.length(r.foldLength) },
      ],
    }),
    draw: (r, v) => {
      const [h, radius, sweep] = [Number(v['height']), Number(v['edgeRadius']), Number(v['sweep'])];
      const free = v['side'] === 'shrink' ? radius + h : radius - h;
      const from = 90 - sweep / 2;
      const slits = Array.from({ length: r.slits }, (_, i): Drawn => {
        const at = from + (sweep * (i + 1)) / r.tabs;
        const place = (rad: number, off = 0): Point => {
          const angle = ((at + (off / rad) * (180 / Math.PI)) * Math.PI) / 180;
          return [rad * Math.cos(angle), rad * Math.sin(angle)];
        };
        return r.wedgeWidth > 0
          ? {
              kind: 'area',
              rings: [[place(radius), place(free, r.wedgeWidth / 2), place(free, -r.wedgeWidth / 2)]],
              look: 'mark',
            }
          : { kind: 'line', points: [place(radius), place(free)], look: 'mark' };
      });
      return {
        label: 'The flange laid flat with its cuts',
        parts: [
          {
            kind: 'area',
            rings: [[...arcLine([0, 0], free, from, from + sweep), ...arcLine([0, 0], radius, from + sweep, from)]],
            look: 'metal',
          },
          { kind: 'line', points: arcLine([0, 0], radius, from, from + sweep), look: 'ghost' },
          ...slits,
          {
            kind: 'text',
            at: [0, radius * 0.55],
            text: v['side'] === 'shrink' ? 'fold along the inner edge' : 'fold along the outer edge',
            anchor: 'middle',
          },
        ],
      };
    },
  }),
  page<DevelopedCone>({
    key: 'cone',
    calc: 'shape.cone',
    title: 'Cone',
    wants: 'lay out a cone, funnel or tapered tube on flat sheet',
    group: 'Shape',
    words: 'funnel taper develop layout headlamp bucket',
    fields: [
      { key: 'bottomRadius', label: 'Radius at one end', kind: 'length', usual: 120 },
      { key: 'topRadius', label: 'Radius at the other', kind: 'length', usual: 80 },
      { key: 'height', label: 'Height along the axis', kind: 'length', usual: 150 },
      { key: 'sweep', label: 'Goes round', kind: 'number', usual: 360, unit: '°' },
    ],
    input: (v) => ({ ...v }),
    answer: (r, _v, write) => ({
      figure: `${write.length(r.innerRadius)} → ${write.length(r.outerRadius)}`,
      sentence: `Strike two arcs with these radii from one centre, over ${round(r.angle, 1)}°.`,
      rows: [
        { name: 'Straight across the outer arc', text: write.length(r.outerChord) },
        { name: 'Straight across the inner arc', text: write.length(r.innerChord) },
        { name: 'Area', text: `${round(r.area / 100, 0)} cm²` },
      ],
    }),
    draw: (r, _v, write) => {
      const half = r.angle / 2;
      const outer = arcLine([0, 0], r.outerRadius, 90 - half, 90 + half);
      const inner = arcLine([0, 0], Math.max(r.innerRadius, 0.001), 90 + half, 90 - half);
      return {
        label: 'Flat piece of the cone',
        parts: [
          { kind: 'area', rings: [[...outer, ...inner]], look: 'metal' },
          { kind: 'line', points: [[0, 0], outer[0]!], look: 'ghost' },
          { kind: 'line', points: [[0, 0], outer.at(-1)!], look: 'ghost' },
          { kind: 'size', from: outer.at(-1)!, to: outer[0]!, text: write.length(r.outerChord), off: 20 },
          { kind: 'text', at: [0, 0], text: `${round(r.angle, 1)}°`, anchor: 'middle' },
        ],
      };
    },
    outline: (r) => {
      const half = r.angle / 2;
      return [
        [
          ...arcLine([0, 0], r.outerRadius, 90 - half, 90 + half),
          ...arcLine([0, 0], Math.max(r.innerRadius, 0.001), 90 + half, 90 - half),
        ],
      ];
    },
  }),
  page<FittedArc>({
    key: 'arc',
    calc: 'shape.arcFit',
    title: 'Arc from a profile',
    wants: 'find the radius of a curve that you measured',
    group: 'Shape',
    words: 'radius profile template crown arch fit circle',
    fields: [
      {
        key: 'points',
        label: 'Places on the profile',
        kind: 'lines',
        usual: '0 0\n50 7.6\n100 10\n150 7.4\n200 0',
        hint: 'along and up, mm, one place a line',
      },
    ],
    input: ({ points }) => ({ points: pointsOf(points) }),
    answer: (r, _v, write) => ({
      figure: `R ${write.length(r.radius)}`,
      sentence: `The places lie within ${round(r.rms, 2)} mm (root mean square) of this arc.`,
      rows: [{ name: 'Centre', text: `${round(r.centre[0], 1)} · ${round(r.centre[1], 1)} mm` }],
    }),
    draw: (r, { points }) => {
      const places = pointsOf(points);
      const angles = places.map((p) => (Math.atan2(p[1] - r.centre[1], p[0] - r.centre[0]) * 180) / Math.PI);
      const start = angles[0]!;
      const turned = angles.map((a) => ((a - start + 540) % 360) - 180);
      return {
        label: 'Measured places and the arc through them',
        parts: [
          {
            kind: 'line',
            points: arcLine(r.centre, r.radius, start + Math.min(...turned), start + Math.max(...turned)),
            look: 'line',
          },
          { kind: 'dots', points: places, look: 'mark' },
        ],
      };
    },
  }),
  page<{ radius: number; areaIncrease: number }>({
    key: 'crown',
    calc: 'shape.crown',
    title: 'Crown',
    wants: 'tell how much crown a panel has and must be stretched into it',
    group: 'Shape',
    words: 'dome curve stretch wheel roof bulge',
    fields: [
      { key: 'chord', label: 'Straight edge, touching at both ends', kind: 'length', usual: 600 },
      { key: 'sagitta', label: 'Height of the crown over it', kind: 'length', usual: 12 },
    ],
    input: (v) => ({ ...v }),
    answer: (r, _v, write) => ({
      figure: `R ${write.length(r.radius)}`,
      sentence:
        r.areaIncrease <= MOST_STRETCH
          ? `A dome of this crown has ${round(r.areaIncrease * 100, 2)} % more area than flat sheet: that much must be stretched in.`
          : `A dome like this has ${round(r.areaIncrease * 100, 0)} % more area than flat sheet. No sheet stretches that far without tearing: make it of pieces, or shrink its edge in.`,
      rows: [],
    }),
    draw: (r, v, write) => {
      const [chord, sagitta] = [Number(v['chord']), Number(v['sagitta'])];
      const half = (Math.asin(Math.min(1, chord / 2 / r.radius)) * 180) / Math.PI;
      return {
        label: 'The crown over its straight edge',
        parts: [
          { kind: 'line', points: arcLine([0, sagitta - r.radius], r.radius, 90 - half, 90 + half), look: 'line' },
          { kind: 'size', from: [-chord / 2, 0], to: [chord / 2, 0], text: write.length(chord), off: -22 },
          {
            kind: 'line',
            points: [
              [0, 0],
              [0, sagitta],
            ],
            look: 'mark',
          },
          { kind: 'text', at: [0, sagitta / 2], text: ` ${write.length(sagitta)}`, look: 'mark' },
        ],
      };
    },
  }),
  page<{ developed: number; extra: number; area: number | null }>({
    key: 'bead',
    calc: 'shape.bead',
    title: 'Bead or step',
    wants: 'allow for the sheet that a bead, rib or joggle draws in',
    group: 'Shape',
    words: 'rib swage joggle step groove',
    fields: [
      {
        key: 'kind',
        label: 'It is',
        kind: 'choice',
        usual: 'bead',
        options: [
          { value: 'bead', label: 'a bead' },
          { value: 'step', label: 'a step (joggle)' },
        ],
      },
      { key: 'width', label: 'Across', kind: 'length', usual: 25 },
      { key: 'depth', label: 'Depth', kind: 'length', usual: 6 },
    ],
    input: ({ kind, width, depth }) => ({ kind, width, depth }),
    answer: (r) => ({
      figure: `${round(r.extra, 2)} mm more`,
      sentence: `Leave the sheet this much wider; ${round(r.developed, 2)} mm of sheet lie in it.`,
      rows: [],
    }),
    draw: (_r, v) => {
      const [w, d] = [Number(v['width']), Number(v['depth'])];
      const radius = ((w / 2) ** 2 + d * d) / (2 * d);
      const half = (Math.atan2(w / 2, radius - d) * 180) / Math.PI;
      const line: Point[] =
        v['kind'] === 'bead'
          ? [[-w, 0], ...arcLine([0, d - radius], radius, 90 + half, 90 - half), [w, 0]]
          : [
              [-w, 0],
              [-w / 2, 0],
              [w / 2, d],
              [w, d],
            ];
      return {
        label: 'Section of the sheet',
        parts: [{ kind: 'area', rings: [thickLine(line, Math.max(0.5, w / 30))], look: 'metal' }],
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
      { key: 'radius', label: 'Inside bend radius', kind: 'sheet', usual: '0.9 mm' },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '0.9 mm' },
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
  page<FlatPattern>({
    key: 'pattern',
    calc: 'shape.flatPattern',
    title: 'Flat pattern of a patch',
    wants: 'cut a patch with flanges from flat sheet',
    group: 'Shape',
    words: 'template blank development repair panel flanges outline cut file',
    fields: [
      { key: 'width', label: 'Finished width', kind: 'length', usual: 300, feeds: ['outline'] },
      { key: 'height', label: 'Finished height', kind: 'length', usual: 180, feeds: [] },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: '0.9 mm' },
      { key: 'radius', label: 'Inside bend radius', kind: 'sheet', usual: '1 mm', feeds: [] },
      { key: 'bottom', label: 'Flange below', kind: 'length', usual: 15, hint: '0: none', feeds: ['flanges'] },
      { key: 'right', label: 'Flange on the right', kind: 'length', usual: 12, feeds: [] },
      { key: 'top', label: 'Flange above', kind: 'length', usual: 0, feeds: [] },
      { key: 'left', label: 'Flange on the left', kind: 'length', usual: 0, feeds: [] },
      { key: 'tab', label: 'Tabs on the right, about', kind: 'length', usual: 45, hint: '0: one piece', feeds: [] },
      { key: 'trim', label: 'Left on at bare sides', kind: 'length', usual: 10 },
    ],
    input: (v) => ({
      outline: rectangle(Number(v['width']), Number(v['height'])),
      thickness: v['thickness'],
      trim: v['trim'],
      grain: 0,
      flanges: (['bottom', 'right', 'top', 'left'] as const).flatMap((key, side) =>
        Number(v[key]) > 0
          ? [
              {
                side,
                width: v[key],
                angle: 90,
                radius: v['radius'],
                ...(key === 'right' && Number(v['tab']) > 0 ? { tabPitch: v['tab'] } : {}),
              },
            ]
          : [],
      ),
    }),
    answer: (r, _v, write) => ({
      figure: `${write.length(r.width)} × ${write.length(r.height)}`,
      sentence: 'The smallest upright piece of sheet for it. Face up as drawn; arrow: rolling direction.',
      rows: [
        { name: 'Area of the blank', text: `${round(r.area / 100, 0)} cm²` },
        ...r.bends.map((bend, i) => ({
          name: `Bend ${i + 1}`,
          text: `${bend.angle}° ${bend.turn}, takes ${round(bend.allowance, 2)} mm`,
        })),
        { name: 'Tabs', text: String(r.tabs) },
      ],
    }),
    draw: (r, _v, write) => ({
      label: 'Blank with bend lines, slits and rolling direction',
      parts: [
        { kind: 'area', rings: r.blank, look: 'metal' },
        ...r.bends.map((bend) => ({ kind: 'line' as const, points: bend.line, look: 'ghost' as const })),
        ...r.slits.map((points) => ({ kind: 'line' as const, points, look: 'mark' as const })),
        { kind: 'line', points: r.grain, look: 'mark' },
        { kind: 'text', at: r.grain[1], text: '▸ grain, face up', look: 'mark' },
        {
          kind: 'size',
          from: [Math.min(...r.blank[0]!.map((p) => p[0])), Math.min(...r.blank[0]!.map((p) => p[1]))],
          to: [Math.max(...r.blank[0]!.map((p) => p[0])), Math.min(...r.blank[0]!.map((p) => p[1]))],
          text: write.length(r.width),
          off: -22,
        },
      ],
    }),
    outline: (r) => r.blank,
    marks: (r) => [...r.bends.map((bend) => bend.line), ...r.slits, r.grain],
  }),
  page<Nesting>({
    key: 'nest',
    calc: 'shape.nest',
    title: 'Pieces on one sheet',
    wants: 'lay pieces out on a sheet with little waste',
    group: 'Shape',
    words: 'nest nesting sheet waste yield buy steel',
    fields: [
      { key: 'width', label: 'Sheet, wide', kind: 'length', usual: 1000, feeds: ['sheet'] },
      { key: 'height', label: 'Sheet, long', kind: 'length', usual: 2000, feeds: [] },
      {
        key: 'pieces',
        label: 'Pieces',
        kind: 'lines',
        usual: '480 × 160 × 4\n300 × 220 × 3\n250 × 90 × 6\n620 × 140 × 2',
        hint: 'width × height × number, mm, one kind a line',
      },
      { key: 'gap', label: 'Between them', kind: 'length', usual: 6 },
      {
        key: 'rotations',
        label: 'Pieces',
        kind: 'choice',
        usual: 'quarter',
        options: [
          { value: 'quarter', label: 'may be turned by quarters' },
          { value: 'keep', label: 'keep the rolling direction' },
        ],
      },
    ],
    input: (v) => ({
      sheet: { width: v['width'], height: v['height'] },
      pieces: piecesOf(v['pieces']).map((ring) => [ring]),
      gap: v['gap'],
      rotations: v['rotations'] === 'keep' ? [0] : [0, 90],
    }),
    answer: (r, v, write) => ({
      figure: write.length(r.usedHeight),
      sentence: `of the sheet’s ${write.length(Number(v['height']))} are used${r.unplaced.length > 0 ? `; ${r.unplaced.length} pieces find no place` : ''}.`,
      rows: [
        { name: 'Placed', text: `${r.placements.length} pieces` },
        { name: 'Of the whole sheet', text: `${round(r.yield * 100, 0)} %` },
        {
          name: 'Of the used length',
          text: `${round((r.yield * Number(v['height']) * 100) / Math.max(1, r.usedHeight), 0)} %`,
        },
      ],
    }),
    draw: (r, v) => ({
      label: `${r.placements.length} pieces on the sheet`,
      parts: [
        { kind: 'line', points: rectangle(Number(v['width']), Number(v['height'])), look: 'line', closed: true },
        ...r.placements.map(({ outline }) => ({ kind: 'area' as const, rings: [outline], look: 'metal' as const })),
        {
          kind: 'line',
          points: [
            [0, r.usedHeight],
            [Number(v['width']), r.usedHeight],
          ],
          look: 'mark',
        },
      ],
    }),
    outline: (r) => r.placements.map(({ outline }) => outline),
  }),
];
