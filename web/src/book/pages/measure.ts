import { page, type BookPage } from '../page.ts';
import { rectangle } from '../drawing.ts';

export const measurePages: readonly BookPage[] = [
  page<{ mm: number }>({
    key: 'length',
    calc: 'units.parseLength',
    title: 'Gauge and fractions',
    wants: 'turn inches, fractions or sheet gauge into millimetres',
    group: 'Measure',
    words: 'convert conversion inch feet mm gauge thickness',
    fields: [
      { key: 'text', label: 'As written', kind: 'text', usual: '6 3/4"', hint: '6 3/4", 2\' 3 1/2", 171,5 mm, 18 ga' },
      {
        key: 'unit',
        label: 'A bare number means',
        kind: 'choice',
        usual: 'in',
        options: [
          { value: 'mm', label: 'millimetres' },
          { value: 'in', label: 'inches' },
        ],
      },
    ],
    input: ({ text, unit }) => ({ text, unit }),
    answer: ({ mm }) => ({
      // In words, so that it stays what it is in a shop of inches too.
      figure: `${Number(mm.toFixed(3))} millimetres`,
      sentence: `That is ${(mm / 25.4).toFixed(4)} inches, or ${sixteenths(mm)} to the nearest sixteenth.`,
      rows: [
        { name: 'Decimal inches', text: `${(mm / 25.4).toFixed(4)} in` },
        { name: 'To 1/32', text: thirtySeconds(mm) },
      ],
    }),
    draw: ({ mm }) => {
      const step = mm > 2000 ? 500 : mm > 400 ? 100 : mm > 60 ? 10 : mm > 6 ? 1 : 0.1;
      const marks = Array.from({ length: Math.floor(mm / step) + 1 }, (_, i) => i * step);
      const size = Math.max(mm, 1);
      return {
        label: `A tape of ${mm} mm`,
        parts: [
          { kind: 'area', rings: [rectangle(mm, size * 0.12)], look: 'metal' },
          ...marks.map((at, i) => ({
            kind: 'line' as const,
            points: [
              [at, size * 0.12],
              [at, size * (i % 5 === 0 ? 0.06 : 0.09)],
            ] as [number, number][],
            look: 'thin' as const,
          })),
          { kind: 'size', from: [0, 0], to: [mm, 0], text: `${Number(mm.toFixed(2))} mm`, off: -26 },
        ],
      };
    },
  }),
];

const fraction = (mm: number, parts: number) => {
  const n = Math.round((mm / 25.4) * parts);
  const [whole, rest] = [Math.floor(n / parts), n % parts];
  if (rest === 0) return `${whole}"`;
  let [top, bottom] = [rest, parts];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${whole > 0 ? `${whole} ` : ''}${top}/${bottom}"`;
};
const sixteenths = (mm: number) => fraction(mm, 16);
const thirtySeconds = (mm: number) => fraction(mm, 32);
