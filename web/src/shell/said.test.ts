import { describe, expect, it } from 'vitest';
import { parseEntry } from '../survey/entry.ts';
import { signIn } from '../testing/fakeServer.ts';
import { ApiProblem } from './api.ts';
import { said } from './said.ts';
import { useUnits } from './units.ts';

const imperial = { length: 'in', coating: 'mil', heat: 'F' } as const;
const metric = { length: 'mm', coating: 'um', heat: 'C' } as const;

describe('a refusal as a person reads it', () => {
  it('names the field as the page does, and its limit in the units of the person', () => {
    const text = 'metalMm is 9 mm; it must be at most 4.9 mm.';
    expect(said(text, metric)).toBe('Metal left is 9 mm; it must be at most 4.9 mm.');
    expect(said(text, imperial)).toBe('Metal left is 3/8"; it must be at most 0.193".');
    expect(said('readings[3].coatingUm must be a number; enter digits only.', metric)).toMatch(
      /^Coating must be a number/,
    );
    // A word that is one stays.
    expect(said('maker is missing; fill it in.', metric)).toBe('Maker is missing; fill it in.');
    expect(said('offers[2].neededOn must be a day of the calendar.', metric)).toBe(
      'Needed on must be a day of the calendar.',
    );
    expect(said('weldableMm must be at most 3.', metric)).toBe('The least thickness to weld to must be at most 3 mm.');
    expect(said('mountRadius must be at most 1000.', imperial)).toMatch(
      /^How near to a mount must be at most 39.*"\.$/,
    );
    expect(said('weldableShare must be at least 0.3.', metric)).toBe(
      'Metal that can be welded to must be at least 30 %.',
    );
    expect(said('It must be at most 3 mm.', metric)).toBe('It must be at most 3 mm.');
    // A share is typed in per cent.
    expect(said('share must be at most 1.', metric)).toBe('What is done of it must be at most 100 %.');
    expect(said('taxRate must be at least 0.', metric)).toBe('Tax must be at least 0 %.');
    expect(said('quantity must be at most 1.', metric)).toBe('Quantity must be at most 1.');
  });

  it('is so wherever the server refuses', () => {
    signIn('owner', 'in');
    const body = {
      type: '',
      title: '',
      status: 422,
      code: 'invalid' as const,
      detail: 'handWarm must be at most 80 °C.',
    };
    const problem = new ApiProblem({
      ...body,
      field: 'handWarm',
      errors: [{ field: 'handWarm', detail: body.detail }],
    });
    expect(problem.message).toBe('The temperature to weld again below must be at most 176 °F.');
    expect(problem.body.errors![0]!.detail).toBe(problem.message);
  });
});

describe('what is typed without a mark', () => {
  it('is read in the unit of the shop; with a mark it is what the mark says', () => {
    expect(parseEntry('5.5 >60', 'coating', 'in', 'mil')).toEqual([
      { coatingUm: 139.7 },
      { coatingUm: 1524, coatingOver: true },
    ]);
    expect(parseEntry('140 µm', 'coating', 'in', 'mil')).toEqual([{ coatingUm: 140 }]);
    expect(parseEntry('5.5 mil', 'coating', 'mm', 'um')).toEqual([{ coatingUm: 139.7 }]);
    expect(() => parseEntry('thick', 'coating', 'in', 'mil')).toThrow(/write for example 5\.5/);
  });

  it('goes to and fro without being changed', () => {
    signIn('owner', 'in');
    const { heat, coating, spot } = useUnits();
    for (const c of [-10, 0, 20, 50]) expect(heat.read(heat.typed(c))).toBeCloseTo(c, 6);
    expect(heat.read('warm')).toBe('warm');
    expect(heat.text(50)).toBe('122 °F');
    expect(coating.text(254)).toBe('10.0 mil');
    expect(coating.read('10')).toBe(254);
    expect(coating.read('thick')).toBeNull();
    expect(spot.read(spot.typed(645.16))).toBeCloseTo(645.16, 6);
    expect(spot.word.value).toBe('sq in');
  });
});
