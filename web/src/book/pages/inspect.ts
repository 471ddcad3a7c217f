import { corrosion, type CorrosivityCategory } from '@aspecta/core/survey';
import { milOf } from '@aspecta/core/units';
import { lengthsOf, page, round, type BookPage } from '../page.ts';
import { rectangle } from '../drawing.ts';

const share = (x: number) => (x < 0.001 ? 'less than 0.1 %' : `${round(x * 100, x < 0.1 ? 1 : 0)} %`);

export const inspectPages: readonly BookPage[] = [
  page<{ class: string; depth: number; atLeast: boolean; product: string }>({
    key: 'filler',
    calc: 'survey.fillerDepth',
    title: 'Filler depth',
    wants: 'tell how deep the filler is from a coating reading',
    group: 'Inspect',
    words: 'bondo body filler putty coating gauge micron',
    fields: [
      { key: 'coating', label: 'Coating reading', kind: 'coating', usual: 2900 },
      { key: 'paintBuild', label: 'Paint over it', kind: 'coating', usual: 350 },
      {
        key: 'over',
        label: 'The gauge',
        kind: 'choice',
        usual: 'no',
        options: [
          { value: 'no', label: 'gave this reading' },
          { value: 'yes', label: 'was over its range: “more than”' },
        ],
      },
    ],
    input: ({ coating, paintBuild, over }) => ({ coating, paintBuild, over: over === 'yes' }),
    answer: (r, _v, write) => ({
      figure: `${r.atLeast ? 'more than ' : ''}${write.sheet(r.depth)}`,
      sentence: r.product,
      rows: [{ name: 'Class of the reading', text: r.class }],
    }),
    draw: (r, { coating }, write) => {
      const total = Number(coating) / 1000;
      const paint = Math.max(0.02, total - r.depth);
      const wide = Math.max(6, total * 4);
      return {
        label: `Section: sheet, ${round(r.depth, 2)} mm filler, paint`,
        parts: [
          { kind: 'area', rings: [rectangle(wide, 0.9, 0, -0.9)], look: 'metal' },
          { kind: 'area', rings: [rectangle(wide, Math.max(r.depth, 0.001))], look: 'alarm' },
          { kind: 'area', rings: [rectangle(wide, paint, 0, r.depth)], look: 'mark' },
          { kind: 'text', at: [wide * 0.5, -0.45], text: 'sheet', anchor: 'middle' },
          ...(r.depth > 0
            ? [
                {
                  kind: 'size' as const,
                  from: [wide, 0] as [number, number],
                  to: [wide, r.depth] as [number, number],
                  text: write.sheet(r.depth),
                  off: -18,
                },
              ]
            : []),
        ],
      };
    },
  }),
  page<{
    location: number;
    scale: number;
    areaRatio: number;
    deepestExpected: number;
    perforationProbability: number;
    standardError: number;
  }>({
    key: 'pits',
    calc: 'survey.pits',
    title: 'Deepest pit',
    wants: 'tell how deep the worst pit of a panel is from a few patches',
    group: 'Inspect',
    words: 'pitting rust hole through perforation gumbel',
    fields: [
      {
        key: 'depths',
        label: 'Deepest pit of each patch',
        kind: 'lines',
        usual: '0.21 0.28 0.19 0.33 0.24 0.17 0.26 0.20',
        usualInches: '0.008 0.011 0.007 0.013 0.009 0.006 0.010 0.008',
        hint: 'in {unit}, with spaces between; equal patches taken at random',
      },
      { key: 'patch', label: 'Area of one patch', kind: 'area', usual: 36, feeds: ['sampledArea'] },
      { key: 'panel', label: 'Area of the panel', kind: 'area', usual: 8800, feeds: ['totalArea'] },
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
    ],
    input: ({ depths, patch, panel, thickness }, write) => {
      const list = lengthsOf(depths, 'the depths', write);
      return {
        depths: list,
        sampledArea: Number(patch) * 100 * list.length,
        totalArea: Number(panel) * 100,
        thickness,
        method: 'mle',
      };
    },
    answer: (r, _v, write) => ({
      figure: `${round(r.deepestExpected, 2)} ± ${round(r.standardError, 2)} mm`,
      sentence: `The deepest pit to expect on the whole panel; the chance that one is through is ${share(r.perforationProbability)}.`,
      rows: [
        { name: 'Most usual deepest of one patch (λ)', text: write.sheet(r.location) },
        { name: 'Scatter (δ)', text: write.sheet(r.scale) },
        { name: 'Patches on the panel', text: round(r.areaRatio, 0) },
      ],
    }),
    draw: (r, { depths, thickness }, write) => {
      const list = lengthsOf(depths, 'the depths', write);
      const step = 1;
      const wide = (list.length + 2) * step;
      const sheet = Number(thickness);
      const pit = (at: number, depth: number): [number, number][] => [
        [at - 0.3, 0],
        [at, -depth],
        [at + 0.3, 0],
      ];
      return {
        label: `Section of the sheet with ${list.length} pits and the deepest expected`,
        parts: [
          { kind: 'area', rings: [rectangle(wide, sheet, 0, -sheet)], look: 'metal' },
          ...list.map((depth, i) => ({ kind: 'area' as const, rings: [pit(i + 1, depth)], look: 'ghost' as const })),
          { kind: 'area', rings: [pit(wide - 0.8, Math.min(r.deepestExpected, sheet * 1.15))], look: 'alarm' },
          {
            kind: 'text',
            at: [wide - 0.8, 0.12],
            text: `${round(r.deepestExpected, 2)} mm`,
            anchor: 'middle',
            look: 'alarm',
          },
          { kind: 'size', from: [0, 0], to: [0, -sheet], text: `${round(sheet, 2)} mm`, off: -20 },
        ],
      };
    },
  }),
  page<{ low: number; high: number }>({
    key: 'loss',
    calc: 'survey.corrosion',
    title: 'Loss over time',
    wants: 'see how much metal the weather takes over the years',
    group: 'Inspect',
    words: 'corrosion rust years climate coast bare',
    fields: [
      {
        key: 'category',
        label: 'Where it stands',
        kind: 'choice',
        usual: 'C4',
        options: [
          { value: 'C2', label: 'C2, dry inland' },
          { value: 'C3', label: 'C3, temperate' },
          { value: 'C4', label: 'C4, wet, salted roads' },
          { value: 'C5', label: 'C5, by the sea' },
          { value: 'CX', label: 'CX, extreme' },
        ],
      },
      { key: 'years', label: 'Years outside', kind: 'number', usual: 5 },
    ],
    input: ({ category, years }) => ({ category, years }),
    answer: (r, { years }) => ({
      figure: `${round(r.low, 0)} to ${round(r.high, 0)} µm`,
      sentence: `Open weather takes this much of bare steel from each side in ${String(years)} years; a wet cavity takes far more.`,
      rows: [
        {
          name: 'Of a 0.9 mm sheet, both sides',
          text: `${round((2 * r.low) / 9, 0)} to ${round((2 * r.high) / 9, 0)} %`,
        },
      ],
    }),
    chart: (_r, { category, years }, { person }) => {
      const of = person.coating === 'mil' ? milOf : (um: number) => um;
      const points = Array.from({ length: 31 }, (_, i) => {
        const at = (Number(years) * i) / 30;
        const { low, high } =
          i === 0 ? { low: 0, high: 0 } : corrosion({ category: category as CorrosivityCategory, years: at });
        return [at, of(low), of(high)] as const;
      });
      return {
        title: 'What bare steel loses in the open',
        x: { name: 'Years', min: 0, max: Number(years) },
        y: { name: 'Loss on one face', unit: person.coating === 'mil' ? 'mil' : 'µm', min: 0 },
        series: [{ kind: 'band', name: 'slow to fast', points }],
      };
    },
  }),
];
