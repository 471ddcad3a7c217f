import { describe, expect, it } from 'vitest';
import { calculate } from '@aspecta/contract/calc';
import { boxOf } from '@aspecta/core/geometry';
import { formatLength } from '@aspecta/core/units';
import { placesOf } from './drawing.ts';
import { toSvg } from './outlineFile.ts';
import { readField, type BookPage, type Values, type Writer } from './page.ts';
import { readNumber } from '../shell/typedNumber.ts';
import { BOOK, pageOf, searchBook } from './shelf.ts';

const write = (unit: 'mm' | 'in'): Writer => ({
  unit,
  length: (mm) => formatLength({ mm, unit }).text,
  sheet: (mm) => `${mm.toFixed(2)} mm`,
  money: (minor) => `€${(minor / 100).toFixed(2)}`,
});
const usual = (page: BookPage): Values =>
  Object.fromEntries(
    page.fields.map((field) => [
      field.key,
      readField(
        field,
        typeof field.usual === 'number' && field.kind === 'length' ? `${field.usual} mm` : String(field.usual),
        'mm',
      ),
    ]),
  );

describe('Bench book', () => {
  it.each(BOOK.map((page) => [page.key, page] as const))(
    '%s answers and draws with its usual values, in both units',
    (_key, page) => {
      const values = usual(page);
      const result = calculate(page.calc, page.input(values)) as never;
      for (const unit of ['mm', 'in'] as const) {
        const { figure, sentence, rows } = page.answer(result, values, write(unit));
        expect([figure, sentence, ...rows.map((row) => row.text)].join(' ')).not.toMatch(
          /NaN|undefined|Infinity|\[object/,
        );
        expect(figure.length).toBeGreaterThan(1);
        const drawing = page.draw(result, values, write(unit));
        const box = boxOf(placesOf(drawing));
        expect([box.minU, box.minV, box.maxU, box.maxV].every(Number.isFinite)).toBe(true);
        expect(drawing.label.length).toBeGreaterThan(5);
      }
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
            result = calculate(page.calc, page.input(values)) as never;
          } catch (refused) {
            // What cannot be welded together is answered in words.
            expect(refused).toMatchObject({ code: 'cannot-be-welded', message: expect.stringMatching(/use|first/) });
            continue;
          }
          expect(page.answer(result, values, write('mm')).figure).not.toMatch(/NaN|undefined/);
          expect(page.draw(result, values, write('mm')).parts.length).toBeGreaterThan(0);
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
    expect(() => readField(angle!, 'ninety', 'mm')).toThrow('must be a number in °');
    expect(() => pageOf('nest')!.input({ ...usual(pageOf('nest')!), pieces: '12 by 4' })).toThrow(
      /“12 by 4” must read/,
    );
    expect(() => pageOf('tapes')!.input({ ...usual(pageOf('tapes')!), tapes: 'A B' })).toThrow(/“A B” needs/);
  });
});
