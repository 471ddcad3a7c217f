import type { DevelopedCone, FittedArc, Flange } from '@aspecta/core/shape';
import type { Point } from '@aspecta/core/geometry';
import { linesOf, page, round, wordsOf, type BookPage, type Writer } from '../page.ts';
import { arcLine, thickLine, type Drawn } from '../drawing.ts';

const pointsOf = (text: unknown, { read }: Pick<Writer, 'read'>): Point[] =>
  linesOf(text).map((line) => {
    const [u, v] = wordsOf(line).map((word) => read(word));
    if (u === null || v === null || u === undefined || v === undefined)
      throw new Error(`“${line}” must be two lengths: along and up.`);
    return [u, v];
  });

/** Share by which a sheet can be stretched by hand before it thins and tears; common practice, no published source. */
const MOST_STRETCH = 0.25;

export const curvePages: readonly BookPage[] = [
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
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 1.2 },
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
        usualInches: '0 0\n2 0.3\n4 0.4\n6 0.29\n8 0',
        hint: 'along and up, in {unit}, one place a line',
      },
    ],
    input: ({ points }, write) => ({ points: pointsOf(points, write) }),
    answer: (r, _v, write) => ({
      figure: `R ${write.length(r.radius)}`,
      sentence: `The places lie within ${round(r.rms, 2)} mm (root mean square) of this arc.`,
      rows: [{ name: 'Centre', text: `${write.length(r.centre[0])} · ${write.length(r.centre[1])}` }],
    }),
    draw: (r, { points }, write) => {
      const places = pointsOf(points, write);
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
];
