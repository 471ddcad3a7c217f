import type { FlatPattern, Nesting } from '@aspecta/core/shape';
import type { Point } from '@aspecta/core/geometry';
import { linesOf, page, round, type BookPage, type Writer } from '../page.ts';
import { readNumber } from '../../shell/typedNumber.ts';
import { rectangle } from '../drawing.ts';

/** "width × height" or "width × height × count" lines as rectangles. */
function piecesOf(text: unknown, { read }: Pick<Writer, 'read'>): Point[][] {
  return linesOf(text).flatMap((line) => {
    const [width = '', height = '', count = '1'] = line.split(/\s*[x×*]\s*/i);
    const [w, h, n] = [read(width), read(height), readNumber(count)];
    if (w === null || h === null || n === null)
      throw new Error(`“${line}” must read width × height, or width × height × number.`);
    return Array.from({ length: Math.min(200, Math.max(1, Math.round(n))) }, () => [...rectangle(w, h)]);
  });
}

export const patternPages: readonly BookPage[] = [
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
      { key: 'thickness', label: 'Sheet', kind: 'sheet', usual: 0.9 },
      { key: 'radius', label: 'Inside bend radius', kind: 'sheet', usual: 1, feeds: [] },
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
        usualInches: '19 × 6 1/4 × 4\n12 × 8 1/2 × 3\n10 × 3 1/2 × 6\n24 × 5 1/2 × 2',
        hint: 'width × height × number, in {unit}, one kind a line',
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
    input: (v, write) => ({
      sheet: { width: v['width'], height: v['height'] },
      pieces: piecesOf(v['pieces'], write).map((ring) => [ring]),
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
