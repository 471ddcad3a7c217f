import type { LandedLine } from '@aspecta/core/order';
import type { Calibration } from '@aspecta/core/verdict';
import { linesOf, page, round, type BookPage } from '../page.ts';
import { readNumber } from '../../shell/typedNumber.ts';
import { rectangle } from '../drawing.ts';

const linesOfParcel = (text: unknown) =>
  linesOf(text).map((line) => {
    const [price, quantity = 1] = line.split(/\s*[x×*]\s*|\s+/i).map((word) => readNumber(word));
    if (price === null || price === undefined || quantity === null)
      throw new Error(`“${line}” must read price, or price × number.`);
    return { price: Math.round(price * 100), quantity };
  });
const pairsOf = (text: unknown) =>
  linesOf(text).map((line) => {
    const [estimated, actual] = line.split(/\s+/).map((word) => readNumber(word));
    if (estimated === null || actual === null || estimated === undefined || actual === undefined)
      throw new Error(`“${line}” must be two numbers: estimated and actual.`);
    return { estimated, actual };
  });

export const buyPages: readonly BookPage[] = [
  page<{ lines: LandedLine[]; goods: number; carriage: number; tax: number; total: number }>({
    key: 'landed',
    calc: 'order.landed',
    title: 'Landed price',
    wants: 'see what each panel of a parcel costs with carriage and tax',
    group: 'Buy and plan',
    words: 'price cost shipping delivery vat duty order',
    fields: [
      {
        key: 'lines',
        label: 'Prices before tax',
        kind: 'lines',
        usual: '120.00\n40.00 × 2',
        hint: 'price, or price × number, one line each; a single panel can be handed to a verdict',
      },
      { key: 'carriage', label: 'Carriage', kind: 'number', usual: 25, hint: 'of the whole parcel' },
      { key: 'tax', label: 'Tax', kind: 'number', usual: 20, unit: '%', feeds: ['taxRate'] },
    ],
    input: ({ lines, carriage, tax }) => ({
      lines: linesOfParcel(lines),
      carriage: Math.round(Number(carriage) * 100),
      taxRate: Number(tax) / 100,
      taxOnCarriage: true,
    }),
    price: ({ lines, carriage }) => {
      const [only, ...others] = linesOfParcel(lines);
      return only && only.quantity === 1 && others.length === 0
        ? { price: only.price, carriage: Math.round(Number(carriage) * 100) }
        : null;
    },
    answer: (r, _v, write) => ({
      figure: write.money(r.total),
      sentence: `for the parcel: goods ${write.money(r.goods)}, carriage ${write.money(r.carriage)}, tax ${write.money(r.tax)}.`,
      rows: r.lines.map((line, i) => ({ name: `Line ${i + 1}, each landed`, text: write.money(line.landedEach) })),
    }),
    draw: (r, _v, write) => {
      let at = 0;
      return {
        label: 'Shares of the total',
        parts: [
          ...(
            [
              ['goods', r.goods, 'metal'],
              ['carriage', r.carriage, 'mark'],
              ['tax', r.tax, 'alarm'],
            ] as const
          ).flatMap(([name, amount, look]) => {
            const high = (amount / Math.max(1, r.total)) * 100;
            const from = at;
            at += high;
            return [
              { kind: 'area' as const, rings: [rectangle(60, high, 0, from)], look },
              {
                kind: 'text' as const,
                at: [64, from + high / 2] as [number, number],
                text: `${name} ${write.money(amount)}`,
              },
            ];
          }),
          { kind: 'text', at: [110, 50], text: ' ' },
        ],
      };
    },
  }),
  page<Calibration>({
    key: 'pace',
    calc: 'verdict.calibrate',
    title: 'Learn from past estimates',
    wants: 'find by how much your hours run over',
    group: 'Buy and plan',
    words: 'hours estimate factor reserve overrun time',
    fields: [
      { key: 'element', label: 'Kind of work', kind: 'text', usual: 'fit and trim' },
      {
        key: 'history',
        label: 'Estimated and actual',
        kind: 'lines',
        usual: '2 3\n4 5.5\n1.5 1.6',
        hint: 'hours, one job a line',
      },
    ],
    input: ({ element, history }) => ({ element, history: pairsOf(history) }),
    answer: (r) => ({
      figure: `× ${round(r.factor, 2)}`,
      sentence: `Multiply estimates of ${r.element} by this; ${round(r.low, 2)} to ${round(r.high, 2)} at 80 %, after ${r.cases} job${r.cases === 1 ? '' : 's'}.`,
      rows: [{ name: 'The next single job', text: `× ${round(r.next.low, 2)} to × ${round(r.next.high, 2)}` }],
    }),
    draw: (r, { history }) => {
      const pairs = pairsOf(history);
      const most = Math.max(1, ...pairs.flatMap((p) => [p.estimated, p.actual]));
      return {
        label: 'Actual over estimated hours',
        parts: [
          {
            kind: 'area',
            rings: [
              [
                [0, 0],
                [most, most * r.next.low],
                [most, most * r.next.high],
              ],
            ],
            look: 'metal',
          },
          {
            kind: 'line',
            points: [
              [0, 0],
              [most, most],
            ],
            look: 'ghost',
          },
          {
            kind: 'line',
            points: [
              [0, 0],
              [most, most * r.factor],
            ],
            look: 'line',
          },
          { kind: 'dots', points: pairs.map((p) => [p.estimated, p.actual] as [number, number]), look: 'mark' },
          { kind: 'text', at: [most, most], text: ' as estimated' },
        ],
      };
    },
  }),
];
