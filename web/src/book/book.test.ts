import { describe, expect, it } from 'vitest';
import { calculate } from '@aspecta/contract/calc';
import { boxOf } from '@aspecta/core/geometry';
import { formatLength, parseLength, type PersonUnits } from '@aspecta/core/units';
import { rowsOf } from '../charts/chart.ts';
import { placesOf } from './drawing.ts';
import { toSvg } from './outlineFile.ts';
import { markedText, readField, unitOf, usualText } from './fields.ts';
import type { BookField, BookPage, Values, Writer } from './page.ts';
import { answerIn, drawingIn } from './saidIn.ts';
import { readNumber } from '../shell/typedNumber.ts';
import { said } from '../shell/said.ts';
import { BOOK, pageOf, searchBook } from './shelf.ts';

const write = (unit: 'mm' | 'in'): Writer => {
  const person: PersonUnits =
    unit === 'in' ? { length: 'in', coating: 'mil', heat: 'F' } : { length: 'mm', coating: 'um', heat: 'C' };
  return {
    unit,
    person,
    length: (mm) => formatLength({ mm, unit }).text,
    sheet: (mm) => (unit === 'in' ? `${(mm / 25.4).toFixed(3)}"` : `${mm.toFixed(2)} mm`),
    money: (minor) => `€${(minor / 100).toFixed(2)}`,
    said: (text) => said(text, person),
    read: (text) => {
      try {
        return parseLength({ text, unit }).mm;
      } catch {
        return null;
      }
    },
  };
};
const usual = (page: BookPage, unit: 'mm' | 'in' = 'mm'): Values =>
  Object.fromEntries(
    page.fields.map((field) => [field.key, readField(field, usualText(field, write(unit)), write(unit))]),
  );
/** What an inch shop is not to read. */
const METRIC = /\d ?(?:mm|cm²|µm|kJ\/mm)(?![\w²])|°C/;

describe('Bench book', () => {
  it.each(BOOK.map((page) => [page.key, page] as const))(
    '%s answers and draws with its usual values, in both units',
    (_key, page) => {
      for (const unit of ['mm', 'in'] as const) {
        const own = write(unit);
        const values = usual(page, unit);
        const result = calculate(page.calc, page.input(values, own)) as never;
        const { figure, sentence, rows } = answerIn(page.answer(result, values, own), own);
        const told = [figure, sentence, ...rows.map((row) => row.text)];
        expect(told.join(' ')).not.toMatch(/NaN|undefined|Infinity|\[object/);
        expect(figure.length).toBeGreaterThan(1);
        const drawing = page.draw && drawingIn(page.draw(result, values, own), own);
        if (drawing) {
          const box = boxOf(placesOf(drawing));
          expect([box.minU, box.minV, box.maxU, box.maxV].every(Number.isFinite)).toBe(true);
          expect(drawing.label.length).toBeGreaterThan(5);
        }
        const chart = page.chart?.(result, values, own);
        if (chart) {
          expect(chart.series.every(({ points }) => points.length > 5 && points.flat().every(Number.isFinite))).toBe(
            true,
          );
          expect(rowsOf(chart).rows.flat().join(' ')).not.toMatch(/NaN|undefined/);
        }
        expect(drawing ?? chart).toBeDefined();
        if (unit === 'in')
          expect(
            [
              ...told,
              drawing?.label ?? '',
              ...(drawing?.parts ?? []).map((part) => ('text' in part ? part.text : '')),
              JSON.stringify(chart ?? ''),
              ...page.fields.flatMap((field) => [
                usualText(field, own),
                own.said(field.hint ?? ''),
                unitOf(field, own.person) ?? '',
              ]),
            ].filter((text) => METRIC.test(text)),
          ).toEqual(page.key === 'length' ? [expect.stringContaining('171,5 mm')] : []);
      }
      const result = calculate(page.calc, page.input(usual(page), write('mm'))) as never;
      if (page.outline) expect(toSvg(page.outline(result))).toMatch(/^<svg .*width="\d+\.\d+mm".*100 mm/);
    },
  );

  it('has every choice of every page answered', () => {
    for (const page of BOOK)
      for (const field of page.fields.filter((candidate) => candidate.options))
        for (const { value } of field.options!) {
          const values = { ...usual(page), [field.key]: value };
          let result: never;
          try {
            result = calculate(page.calc, page.input(values, write('mm'))) as never;
          } catch (refused) {
            // What cannot be welded together is answered in words.
            expect(refused).toMatchObject({ code: 'cannot-be-welded', message: expect.stringMatching(/use|first/) });
            continue;
          }
          expect(page.answer(result, values, write('mm')).figure).not.toMatch(/NaN|undefined/);
          expect(
            page.draw?.(result, values, write('mm')).parts.length ??
              page.chart?.(result, values, write('mm')).series.length,
          ).toBeGreaterThan(0);
        }
  });

  it.each([
    ['roll', 'springback'],
    ['fold an arch', 'flange'],
    ['check diagonals', 'tapes'],
    ['filler', 'filler'],
    ['space plugs', 'plugs'],
    ['hours', 'pace'],
    ['notch', 'corner'],
  ])('finds “%s”', (words, key) => {
    expect(searchBook(words).map((page) => page.key)).toContain(key);
  });

  it('finds nothing by nonsense, everything by nothing, and has no two pages of one name', () => {
    expect(searchBook('zebra')).toEqual([]);
    expect(searchBook('')).toHaveLength(BOOK.length);
    expect(new Set(BOOK.map((page) => page.key)).size).toBe(BOOK.length);
    expect(pageOf('nothing')).toBeUndefined();
  });

  it('reads numbers as people write them, and says what is wrong', () => {
    expect([readNumber('1,5'), readNumber(' .5'), readNumber('-2e3'), readNumber('2 mm'), readNumber('')]).toEqual([
      1.5,
      0.5,
      -2000,
      null,
      null,
    ]);
    const [angle] = pageOf('bend')!.fields;
    expect(() => readField(angle!, 'ninety', write('mm'))).toThrow('must be a number in °');
    expect(() => pageOf('nest')!.input({ ...usual(pageOf('nest')!), pieces: '12 by 4' }, write('mm'))).toThrow(
      /“12 by 4” must read/,
    );
    expect(() => pageOf('tapes')!.input({ ...usual(pageOf('tapes')!), tapes: 'A B' }, write('mm'))).toThrow(
      /“A B” needs/,
    );
  });

  it('reads a field as the person counts, and a mark of another unit as it says', () => {
    const field = (page: string, key: string): BookField => pageOf(page)!.fields.find((one) => one.key === key)!;
    const [metric, imperial] = [write('mm'), write('in')];
    const ambient = field('touch', 'ambient');
    expect([usualText(ambient, metric), usualText(ambient, imperial)]).toEqual(['20', '68']);
    expect(readField(ambient, '68', imperial)).toBe(20);
    expect(readField(ambient, '20 °C', imperial)).toBe(20);
    expect(readField(ambient, '50 °F', metric)).toBeCloseTo(10, 9);
    expect(() => readField(ambient, 'warm', imperial)).toThrow('Workshop must be a number in °F');
    const coating = field('filler', 'coating');
    expect(readField(coating, '100', imperial)).toBeCloseTo(2540, 9);
    const sheet = field('bend', 'thickness');
    expect(readField(sheet, '1/32', imperial)).toBeCloseTo(25.4 / 32, 9);
    expect(readField(sheet, '18 ga', imperial)).toBeCloseTo(1.214, 3);
    // Shown rounded, kept exact.
    expect(usualText(sheet, imperial)).toBe('0.039"');
    expect(readField(sheet, '0.039"', imperial)).toBe(1);
    // A fraction is one length, beside others.
    expect(
      pageOf('tapes')!.input({ points: 'A 0 0 fixed\nB 39 3/8 0 y', tapes: 'A B 39 3/8', sd: 1 }, imperial),
    ).toMatchObject({ points: [{}, { x: (39 + 3 / 8) * 25.4 }], tapes: [{ length: (39 + 3 / 8) * 25.4 }] });
  });

  it('marks bare numbers in a link, so that it says the same in another shop', () => {
    for (const page of BOOK)
      for (const field of page.fields)
        for (const unit of ['mm', 'in'] as const) {
          const text = field.kind === 'lines' || field.kind === 'text' ? usualText(field, write(unit)) : '12';
          if (field.options) continue;
          const value = readField(field, text, write(unit));
          const link = markedText(field, text, write(unit));
          expect(readField(field, link, write(unit === 'in' ? 'mm' : 'in')), `${page.key} ${field.key}`).toEqual(
            typeof value === 'number' ? expect.closeTo(value, 9) : value,
          );
        }
  });
});
