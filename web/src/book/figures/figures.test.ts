import { describe, expect, it } from 'vitest';
import { calculate, listCalculations } from '@aspecta/contract/calc';
import { figuresOf, type Figure, type Schema } from './shape.ts';
import { cellDraft, cellText, draftOf, recordOf, Unreadable, valueOf, type DraftRecord, type Tongue } from './text.ts';
import { inOneLine, told, type Teller } from './told.ts';

const all = listCalculations();
const MM: Tongue = { length: 'mm', heat: 'C' };
const INCHES: Tongue = { length: 'in', heat: 'F' };
const tell: Teller = {
  length: (mm) => `${mm} mm`,
  area: (mm2) => `${mm2} mm²`,
  money: (minor) => `€${minor / 100}`,
  heat: (c) => `${c} °C`,
};
const inputs = (id: string) => figuresOf(all.find((entry) => entry.id === id)!.input as Schema);
const form = (fields: readonly Figure[], value: Record<string, unknown>, tongue: Tongue): DraftRecord =>
  Object.fromEntries(fields.map((field) => [field.key, draftOf(field.shape, value[field.key], tongue)]));
/** Numbers within what a fraction of an inch loses; a name alone is the same as a record with nothing but a name. */
function same(a: unknown, b: unknown, path = ''): void {
  if (typeof a === 'number') expect(Math.abs(a - (b as number)), path).toBeLessThan(1e-6 * Math.max(1, Math.abs(a)));
  else if (typeof a === 'string' && b && typeof b === 'object') expect(Object.values(b), path).toEqual([a]);
  else if (Array.isArray(a)) {
    expect((b as unknown[]).length, path).toBe(a.length);
    a.forEach((part, i) => same(part, (b as unknown[])[i], `${path}[${i}]`));
  } else if (a && typeof a === 'object')
    for (const [key, part] of Object.entries(a)) same(part, (b as Record<string, unknown>)[key], `${path}.${key}`);
  // A mark that is not set is the same as one that is left out.
  else if (a === false) expect(b ?? false, path).toBe(false);
  else expect(b, path).toEqual(a);
}

describe('the form of a calculation', () => {
  it.each(all.map((entry) => [entry.id, entry] as const))(
    'reads back what it shows, in both units: %s',
    (id, entry) => {
      const fields = inputs(id);
      for (const tongue of [MM, INCHES]) {
        const read = recordOf(fields, form(fields, entry.example, tongue), tongue, '');
        same(entry.example, read);
        expect(() => calculate(id, read)).not.toThrow();
      }
    },
  );

  it('has a form for every field: nobody must write a file for machines', () => {
    const raw = (fields: readonly Figure[], path: string): string[] =>
      fields.flatMap((field) =>
        field.shape.kind === 'any'
          ? [`${path}${field.key}`]
          : field.shape.kind === 'group'
            ? raw(field.shape.fields, `${path}${field.key}.`)
            : field.shape.kind === 'rows'
              ? raw(field.shape.columns, `${path}${field.key}[].`)
              : [],
      );
    expect(all.flatMap(({ id }) => raw(inputs(id), `${id} `))).toEqual([]);
  });

  it('says at which field what cannot be read', () => {
    const [rate] = figuresOf({ properties: { rate: { type: 'number', description: 'rate, mm' } }, required: ['rate'] });
    expect(() => valueOf(rate!, '', MM)).toThrow(Unreadable);
    expect(() => valueOf(rate!, 'soon', MM)).toThrow(/rate/);
    const fields = inputs('plan.schedule');
    const draft = form(fields, { tasks: [{ id: 'cut', duration: 3 }], resources: { hand: 1 } }, MM);
    const rows = (draft['tasks'] as DraftRecord[]).map((row) => ({ ...row, duration: 'long' }));
    try {
      recordOf(fields, { ...draft, tasks: rows }, MM, '');
      expect.unreachable();
    } catch (error) {
      expect((error as Unreadable).field).toBe('tasks[0].duration');
    }
    expect(() => recordOf(fields, { ...draft, resources: 'hand' }, MM, '')).toThrow(/a name and a number/);
  });

  it('writes a table within a cell on one line, and reads it back', () => {
    const after = inputs('plan.criticalPath')
      .flatMap(({ shape }) => (shape.kind === 'rows' ? shape.columns : []))
      .find(({ key }) => key === 'after')!;
    const draft = draftOf(after.shape, ['cut', { id: 'inner sill', kind: 'FS', lag: 24 }], MM);
    const text = cellText(after.shape, draft);
    expect(text).toBe('cut; inner sill, FS, 24');
    expect(valueOf(after, cellDraft(after.shape, text), MM)).toEqual([
      { id: 'cut' },
      { id: 'inner sill', kind: 'FS', lag: 24 },
    ]);
  });
});

describe('an answer that is told', () => {
  it.each(all.filter(({ id }) => id !== 'weld.field').map((entry) => [entry.id, entry] as const))(
    'has all of its figures in words, tables or a drawing: %s',
    (id, entry) => {
      const result = calculate(id, entry.example) as Record<string, unknown>;
      const figures = figuresOf(entry.output as Schema);
      const shown = told(figures, result, tell);
      const given = figures.filter(({ key }) => result[key] !== undefined).length;
      expect(shown.lines.length + shown.tables.length).toBeGreaterThanOrEqual(given);
      expect(JSON.stringify(shown)).not.toMatch(/NaN|undefined|\[object/);
      expect(inOneLine(entry.title, shown)).toContain(`${entry.title}: `);
    },
  );

  it('speaks the units of the person', () => {
    const figures = figuresOf({
      properties: {
        length: { type: 'number', description: 'length, mm' },
        total: { type: 'number', description: 'total, minor units' },
        ok: { type: 'boolean', description: 'fits' },
      },
      required: ['length', 'total', 'ok'],
    });
    expect(told(figures, { length: 25.4, total: 1250, ok: true }, tell).lines).toEqual([
      { name: 'length', text: '25.4 mm' },
      { name: 'total', text: '€12.5' },
      { name: 'fits', text: 'yes' },
    ]);
  });
});
