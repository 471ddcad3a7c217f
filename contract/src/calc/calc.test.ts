import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { format, resolveConfig } from 'prettier';
import { describe, expect, it } from 'vitest';
import { Problem } from '@aspecta/core';
import { calculate, catalogue, listCalculations } from './index.ts';
import { methodsDoc } from './methodsDoc.ts';

/** Every id that scripts and outside tools may call. */
const PUBLIC =
  `units.parseLength units.formatLength geometry.combine geometry.grow geometry.minimumWidth geometry.distance
survey.krige survey.nextReadings survey.pits survey.corrosion survey.spread survey.rectifyPhoto survey.region
hold.register hold.tapeNetwork hold.gaps repair.joints verdict.simulate verdict.compare verdict.calibrate
cut.enclosing cut.line cut.offsets cut.passage cut.split cut.drillOut
shape.bend shape.profile shape.springback shape.flange shape.cone shape.arcFit shape.crown shape.nest
weld.settings weld.heatInput weld.cooling weld.tacks weld.plugs weld.lineSource weld.movingSource weld.field weld.sequence
plan.criticalPath plan.schedule order.landed order.basket`.split(/\s+/);

const each = catalogue.map((entry) => [entry.id, entry] as const);

/** Throws where a number is not finite, wherever it stands. */
function allFinite(id: string, result: unknown): string {
  return JSON.stringify(result, (_key, value: unknown) => {
    if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`not finite in ${id}`);
    return value;
  });
}

/** Every place in an input: its path, an inner one for each list. */
function pathsOf(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return path.length > 0 ? [path] : [];
  const inner = Object.entries(value)
    .slice(0, 4)
    .flatMap(([key, child]) => pathsOf(child, [...path, Array.isArray(value) ? Number(key) : key]));
  return path.length > 0 ? [path, ...inner] : inner;
}

function changed(value: unknown, [key, ...rest]: readonly (string | number)[], to: unknown): unknown {
  if (key === undefined) return to;
  const copy = Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) };
  (copy as Record<string, unknown>)[key] = changed((value as Record<string, unknown>)[key], rest, to);
  return copy;
}

describe('catalogue', () => {
  it('lists every calculation once, with its question, sources and both schemas', () => {
    const list = listCalculations();
    expect(new Set(list.map((entry) => entry.id)).size).toBe(list.length);
    expect(PUBLIC.filter((id) => !list.some((entry) => entry.id === id))).toEqual([]);
    for (const entry of list) {
      expect(entry.id).toMatch(/^[a-z]+\.[a-zA-Z0-9]+$/);
      expect(entry.question).toMatch(/\?$/);
      expect(entry.sources.length).toBeGreaterThan(0);
      expect(entry.input).toMatchObject({ type: 'object' });
      expect(entry.output).toMatchObject({ type: 'object' });
    }
  });

  it('says of every field what it means', () => {
    const silent = (id: string, schema: unknown): string[] =>
      Object.entries((schema as { properties?: Record<string, { description?: string }> }).properties ?? {})
        .filter(([, field]) => !field.description)
        .map(([name]) => `${id} ${name}`);
    const left = listCalculations().flatMap((entry) => [
      ...silent(entry.id, entry.input),
      ...silent(entry.id, entry.output),
    ]);
    expect(left.filter((name) => !/ (model|ratio|repair|section|passage)$/.test(name))).toEqual([]);
  });

  it.each(each)('%s answers its worked example as its schema says, without NaN', (id, entry) => {
    const result = calculate(id, entry.example);
    expect(allFinite(id, result).length).toBeGreaterThan(5);
    expect(entry.output.validate(result, { convert: false }).error?.message).toBeUndefined();
  });

  it.each(each)('%s gives the same answer twice', (id, entry) => {
    expect(calculate(id, entry.example)).toEqual(calculate(id, structuredClone(entry.example)));
  });

  it.each(each)(
    '%s refuses by name whatever is broken in its example, at any depth',
    (id, entry) => {
      const rubbish = fc.constantFrom<unknown[]>(
        null,
        'x',
        -1,
        0,
        1e-300,
        1e300,
        0.5,
        7,
        Number.NaN,
        Infinity,
        [],
        {},
        true,
        [[0, 0]],
        undefined,
      );
      const paths = pathsOf(entry.example);
      fc.assert(
        fc.property(fc.constantFrom(...paths), rubbish, (path, value) => {
          const began = performance.now();
          try {
            allFinite(id, calculate(id, changed(entry.example, path, value)));
          } catch (error) {
            if (!(error instanceof Problem))
              throw new Error(`${path.join('.')} = ${String(value)}: ${String(error)}`, { cause: error });
            expect(error.field).not.toBe('');
            expect(error.message.length).toBeGreaterThan(10);
          }
          // No clock in the answer: this only catches a calculation that hangs.
          expect(performance.now() - began).toBeLessThan(20_000);
        }),
        { numRuns: 120, seed: 7 },
      );
    },
    60_000,
  );

  it('is what docs/methods.md says (npm run docs writes it anew)', async () => {
    const path = new URL('../../../docs/methods.md', import.meta.url);
    const wanted = await format(methodsDoc(), { ...(await resolveConfig(path)), parser: 'markdown' });
    expect(readFileSync(path, 'utf8')).toBe(wanted);
  });

  it('says which id it does not know', () => {
    expect(() => calculate('survey.nothing', {})).toThrow(/no calculation "survey.nothing"/);
    expect(() => calculate('weld.cooling', { heatInput: '1' })).toThrow(
      expect.objectContaining({ field: 'heatInput' }),
    );
  });
});
