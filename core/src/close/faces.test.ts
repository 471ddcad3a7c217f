import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf, sheetOf } from '../body/index.ts';
import { area } from '../geometry/index.ts';
import { facesOf, litres, order, proof, protects, usualProducts, type OpenedRepair } from './index.ts';

const saloon = bodyPlan('saloon');
const sill: OpenedRepair = { id: 'r', panel: 'sill-l', choice: 'patch', area: 20_000 };

describe('faces that a repair lays bare', () => {
  it('of a sill in three layers: the hollows that its sheet is a wall of, and the side that stays in reach', () => {
    const told = (layers?: readonly string[]) =>
      facesOf(saloon, [{ ...sill, layers }]).map(({ kind, cavity, name }) => cavity ?? `${kind}: ${name}`);
    const [outer, inner] = [Array(2).fill('sill-outer-l'), Array(2).fill('sill-inner-l')];
    expect(told()).toEqual([...outer, 'outside: Sill, left, outside']);
    expect(told(['outer'])).toEqual(told());
    expect(told(['inner'])).toEqual([...inner, 'back: Sill, left, inner sill, inner side']);
    expect(told(['membrane'])).toEqual([...outer, ...inner]);
    expect(told(['membrane', 'outer', 'inner'])).toEqual([
      ...[...outer, ...inner],
      ...['outside: Sill, left, outside', 'back: Sill, left, back'],
    ]);
  });
  it('of a panel that is new is all of it, on each face, whatever was damaged; of a patch its damage and what has burnt', () => {
    const whole = facesOf(saloon, [{ ...sill, choice: 'whole' }]);
    const sheet = area(sheetOf(panelOf(saloon, 'sill-l')));
    expect(whole.map((face) => face.area)).toEqual([sheet, sheet, sheet]);
    expect(facesOf(saloon, [sill]).map((face) => face.area)).toEqual([30_000, 30_000, 20_000]);
  });
  it('of all of its layers: both hollows with two walls each', () => {
    const faces = facesOf(saloon, [{ ...sill, layers: ['outer', 'membrane', 'inner'] }]);
    expect(faces.map(({ kind }) => kind)).toEqual(['hollow', 'hollow', 'hollow', 'hollow', 'outside', 'back']);
    expect(new Set(faces.flatMap(({ cavity }) => cavity ?? []))).toEqual(new Set(['sill-outer-l', 'sill-inner-l']));
    for (const face of faces.filter(({ kind }) => kind === 'hollow')) expect(face.closedBy).toEqual(['r']);
  });
  it('of a roof, which is no hollow: outside and back, shut by nothing', () => {
    const faces = facesOf(saloon, [{ ...sill, panel: 'roof' }]);
    expect(faces.map(({ kind, closedBy }) => [kind, closedBy.length])).toEqual([
      ['outside', 0],
      ['back', 0],
    ]);
  });
  it('metal that stays is bare on its outside only, and shuts nothing', () => {
    const faces = facesOf(saloon, [{ ...sill, choice: 'treat' }]);
    expect(faces.map(({ kind }) => kind)).toEqual(['outside']);
  });
  it('a hollow that two repairs open is shut by the last of them', () => {
    const both = facesOf(saloon, [
      { ...sill, id: 'skin', panel: 'door-skin-l' },
      { ...sill, id: 'frame', panel: 'door-inner-l' },
    ]);
    const door = both.filter(({ cavity }) => cavity === 'door-l');
    expect(door.every(({ closedBy }) => closedBy.length === 2)).toBe(true);
    expect(proof(both, new Set(), new Set(['skin'])).states.get(door[0]!.id)).toBe('bare');
    expect(proof(both, new Set(), new Set(['skin', 'frame'])).states.get(door[0]!.id)).toBe('shut-bare');
  });
  it('on every panel of every body: names differ, and the proof agrees with close.order (property)', () => {
    for (const body of bodyPlans())
      fc.assert(
        fc.property(
          fc.uniqueArray(fc.constantFrom(...body.panels.map(({ id }) => id)), { minLength: 1, maxLength: 6 }),
          fc.infiniteStream(fc.boolean()),
          (panels, coin) => {
            const repairs = panels.map((panel, i): OpenedRepair => ({
              id: `r${i}`,
              panel,
              choice: 'patch',
              area: 1e4,
            }));
            const faces = facesOf(body, repairs);
            const ids = faces.map(({ id }) => id);
            expect(new Set(ids).size).toBe(ids.length);
            const coated = new Set(ids.filter(() => coin.next().value));
            const { before } = proof(faces, coated, new Set());
            const { bare } = order({
              faces: ids,
              steps: [
                { id: 'look' },
                ...repairs.map(({ id }) => ({
                  id,
                  closes: faces.filter(({ closedBy }) => closedBy.includes(id)).map((face) => face.id),
                })),
                ...[...coated].map((face) => ({ id: `c ${face}`, coats: [face] })),
              ],
            });
            expect(before.map(({ face }) => face).sort()).toEqual([...bare].sort());
          },
        ),
        { numRuns: 25 },
      );
  });
});

describe('products', () => {
  it('take the paint that their coverage says, with what goes beside it', () => {
    // 1 m² at 8 m²/l is 0.125 l; with 35 % lost 0.192 l.
    expect(litres(1e6, usualProducts.epoxy)).toBeCloseTo(0.1923, 4);
    expect(litres(1e6, usualProducts.epoxy, 3)).toBeCloseTo(3 * litres(1e6, usualProducts.epoxy), 9);
  });
  it('epoxy is not welded through, zinc is; a converter alone protects nothing', () => {
    expect(usualProducts.epoxy.weldThrough).toBe(false);
    expect(usualProducts.zinc.weldThrough).toBe(true);
    expect(protects('converter')).toBe(false);
    expect(protects('epoxy')).toBe(true);
  });
});
