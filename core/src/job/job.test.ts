import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans } from '../body/index.ts';
import { usualMetalwork, type Metalwork } from '../repair/index.ts';
import type { OptionId } from '../verdict/index.ts';
import { jobDefaults, jobSteps, phaseOf, type JobRepair, type JobStep } from './index.ts';
import { repairOn, workOn } from './testing.ts';

const OPTIONS: readonly OptionId[] = ['treat', 'patch', 'part', 'whole', 'make', 'overlay', 'open'];
const saloon = bodyPlan('saloon');
const panelOf = (id: string) => saloon.panels.find((panel) => panel.id === id)!;
const job = (repairs: readonly JobRepair[], over: object = {}) =>
  jobSteps({ body: saloon, repairs, finds: [], undecided: [], ...over });
const stepOf = (steps: readonly JobStep[], id: string) => steps.find((step) => step.id === id)!;
const placeOf = (steps: readonly JobStep[], id: string) => steps.findIndex((step) => step.id === id);
/** Does one step wait for another, by whatever is between them? */
function waitsFor(steps: readonly JobStep[], id: string, other: string): boolean {
  return stepOf(steps, id).after.some((link) => link.id === other || waitsFor(steps, link.id, other));
}

describe('the steps of a job', () => {
  it('have a place for all counted work of every option on every panel of the four bodies', () => {
    for (const plan of bodyPlans())
      for (const panel of plan.panels)
        for (const choice of OPTIONS)
          for (const { name } of workOn(plan, panel, choice)) expect(phaseOf(name), name).not.toBeNull();
  });

  it('share out the hours that were decided on, none lost and none added, on any panel', () => {
    const ids = bodyPlans().flatMap((plan) => plan.panels.map((panel) => `${plan.id}/${panel.id}`));
    fc.assert(
      fc.property(fc.constantFrom(...ids), fc.constantFrom(...OPTIONS), (id, choice) => {
        const plan = bodyPlan(id.split('/')[0]!);
        const panel = plan.panels.find((one) => one.id === id.split('/')[1])!;
        const repair = repairOn(plan, panel, choice);
        const steps = jobSteps({ body: plan, repairs: [repair], finds: [], undecided: [] });
        const counted = new Set(['strip', 'open', 'make', 'fit', 'weld', 'dress', 'treat', 'prime', 'behind', 'seal']);
        const own = steps.filter(({ kind }) => counted.has(kind)).reduce((sum, { hours }) => sum + hours, 0);
        // Sealing is not counted by the metre, and a panel without coating work is primed all the same.
        expect(own).toBeGreaterThan(repair.hours - 1e-6);
        expect(own).toBeLessThan(repair.hours + 2 * jobDefaults.seal + 1e-6);
      }),
    );
  });

  it('end in the coats that lie over the primer there; what is bolted over them waits until they are hard (T-44)', () => {
    const [floor, skin] = ['floor-front-l', 'door-skin-l'].map((id) => repairOn(saloon, panelOf(id), 'patch'));
    const access = { what: ['the seat'], off: 0.3, on: 0.4 };
    const steps = job([{ ...floor!, access }, skin!]);
    expect(stepOf(steps, `${floor!.id} cover`).title).toBe(
      'Front floor, left: stone chip outside and underbody coat behind',
    );
    expect(stepOf(steps, `${floor!.id} harden`)).toMatchObject({ waits: true, hours: jobDefaults.harden });
    expect(waitsFor(steps, `${floor!.id} refit`, `${floor!.id} harden`)).toBe(true);
    expect(waitsFor(steps, `${floor!.id} cover`, `${floor!.id} seal`)).toBe(true);
    // Wax stays soft: nothing waits for it to harden. Paint is a job of its own.
    expect(stepOf(steps, `${skin!.id} cover`).title).toBe('Door skin, left: wax where it is hollow');
    expect(stepOf(steps, `${skin!.id} harden`)).toBeUndefined();
  });

  it('open the outer sheet of a panel before the inner one is reached, and close it after that is welded; on every panel of several', () => {
    let tried = 0;
    for (const plan of bodyPlans())
      for (const panel of plan.panels.filter(({ layers }) => layers.length > 1)) {
        const [front, behind] = panel.layers.map(({ id }) => [id]) as [string[], string[]];
        for (const choice of ['patch', 'whole', 'make'] as const) {
          const outer = repairOn(plan, panel, choice, { id: 'outer', layers: front });
          const inner = repairOn(plan, panel, 'patch', { id: 'inner', layers: behind });
          // In whichever order they were decided.
          for (const repairs of [
            [outer, inner],
            [inner, outer],
          ]) {
            const steps = jobSteps({ body: plan, repairs, finds: [], undecided: [] });
            const title = (id: string) => stepOf(steps, id).title;
            expect(title('outer open')).toContain(`${panel.name}: `);
            expect(title('inner open')).toContain(`${panel.name}, ${panel.layers[1]!.name.toLowerCase()}: `);
            expect(waitsFor(steps, 'inner open', 'outer open')).toBe(true);
            expect(waitsFor(steps, 'outer fit', 'inner weld')).toBe(true);
            expect(waitsFor(steps, 'outer behind', 'inner weld')).toBe(true);
            // Nobody sees it: no filler, no surfacer.
            expect(
              steps.filter(({ repair, kind }) => repair === 'inner' && ['fill', 'surface', 'paint'].includes(kind)),
            ).toEqual([]);
            // The hollow between them is shut once.
            const shut = stepOf(steps, 'outer weld').closes;
            expect(stepOf(steps, 'inner weld').closes.filter((name) => shut.includes(name))).toEqual([]);
            tried++;
          }
        }
      }
    expect(tried).toBeGreaterThan(40);
  });

  it('weld the inner panel before the one that lies on it is tried, and try it with what hangs beside it', () => {
    const repairs = ['quarter-l', 'wheel-house-l'].map((id) => repairOn(saloon, panelOf(id), 'patch'));
    const steps = job(repairs);
    expect(waitsFor(steps, 'quarter-l patch fit', 'wheel-house-l patch weld')).toBe(true);
    expect(stepOf(steps, 'quarter-l patch fit').title).toBe(
      'Rear quarter, left: trial fits, with door skin and boot lid in place',
    );
  });

  it('brace and measure what carries load before it is cut, and take the braces out after the check (T-15)', () => {
    const sill = repairOn(saloon, panelOf('sill-l'), 'make');
    const steps = job([sill]);
    const open = `${sill.id} open`;
    for (const [later, before] of [
      [open, 'car brace'],
      ['car brace', 'car baseline'],
      ['car unbrace', 'car measure'],
      ['car measure', `${sill.id} weld`],
      [`${sill.id} weld`, 'car safe'],
    ] as const)
      expect(waitsFor(steps, later, before), `${later} after ${before}`).toBe(true);
    // A quarter that is off weakens the body as well; a bolted panel does not.
    const [quarter, bonnet] = ['quarter-l', 'bonnet'].map((id) => repairOn(saloon, panelOf(id), 'patch'));
    const all = job([sill, quarter!, bonnet!]);
    expect(waitsFor(all, 'car measure', `${quarter!.id} weld`)).toBe(true);
    expect(waitsFor(all, 'car measure', `${bonnet!.id} weld`)).toBe(false);
    const wing = job([repairOn(saloon, panelOf('wing-l'), 'patch')]);
    expect(wing.some(({ kind }) => kind === 'brace')).toBe(false);
  });

  it('hold a bought part against the car before anything is cut, and say why', () => {
    const sill = repairOn(saloon, panelOf('sill-l'), 'whole');
    const steps = job([sill]);
    expect(waitsFor(steps, `${sill.id} open`, `${sill.id} check`)).toBe(true);
    expect(stepOf(steps, `${sill.id} open`).after.find(({ id }) => id.endsWith('check'))!.why).toMatch(/held against/);
    expect(stepOf(steps, `${sill.id} delivery`)).toMatchObject({ waits: true, hours: 240, share: 0 });
    const here = job([{ ...sill, order: { state: 'checked', leadHours: 240 } }]);
    for (const kind of ['order', 'delivery', 'check']) expect(stepOf(here, `${sill.id} ${kind}`).share).toBe(1);
    expect(stepOf(job([{ ...sill, order: { state: 'ordered', leadHours: 48 } }]), `${sill.id} order`).share).toBe(1);
  });

  it('look again behind the open joint, coat what is covered and let it dry before it is closed', () => {
    const sill = { ...repairOn(saloon, panelOf('sill-l'), 'make'), layers: ['outer', 'membrane'] };
    const steps = job([sill]);
    const weld = stepOf(steps, `${sill.id} weld`);
    expect(waitsFor(steps, `${sill.id} make`, `${sill.id} look`)).toBe(true);
    const coat = weld.after.find(({ id }) => id === `${sill.id} behind`)!;
    expect(coat).toMatchObject({ lag: jobDefaults.cure });
    const cavities = saloon.cavities.filter(({ walls }) => walls.some(({ panel }) => panel === 'sill-l'));
    expect(weld.closes).toEqual(cavities.map(({ name }) => name));
    for (const { name } of cavities) expect(coat.why).toContain(name);
    expect(stepOf(steps, `${sill.id} prime`).after[0]).toMatchObject({ within: jobDefaults.bare });
    expect(weld).toMatchObject({ dry: true, needs: ['welder'] });
  });

  it('weld an inner sheet before an outer one that lies on it, and do the second side after the first', () => {
    const [inner, outer] = [panelOf('floor-front-l'), panelOf('sill-l')];
    const [a, b] = [repairOn(saloon, inner, 'make'), repairOn(saloon, outer, 'make')];
    expect(waitsFor(job([b, a]), `${b.id} weld`, `${a.id} weld`)).toBe(true);
    const [left, right] = [repairOn(saloon, panelOf('sill-l'), 'make'), repairOn(saloon, panelOf('sill-r'), 'make')];
    const both = job([left, right]);
    expect(waitsFor(both, `${right.id} make`, `${left.id} weld`)).toBe(true);
    expect(waitsFor(both, `${left.id} make`, `${right.id} weld`)).toBe(false);
  });

  it('know what was ticked at the bench and the drill map, and count a repair that is done as done', () => {
    const sill = repairOn(saloon, panelOf('sill-l'), 'make', { opened: 0.5, welded: 0.25 });
    const steps = job([sill]);
    expect(stepOf(steps, `${sill.id} open`).share).toBe(0.5);
    expect(stepOf(steps, `${sill.id} weld`).share).toBe(0.25);
    expect(job([{ ...sill, done: true }]).every(({ share }) => share === 1)).toBe(true);
  });

  it('begin with what is undecided and what was found; an empty car has none', () => {
    expect(job([])).toEqual([]);
    const steps = job([], {
      undecided: ['sill-l', 'no such panel'],
      finds: [{ id: 'f', panel: 'roof', text: 'small blisters' }],
    });
    expect(steps.map(({ kind }) => kind)).toEqual(['decide', 'find']);
    expect(steps[1]!.title).toMatch(/Roof.*small blisters/);
  });

  it('follow what is ordered that belongs to no repair', () => {
    const part = (state: 'wanted' | 'arrived') => ({ id: 'p', title: 'Jack point', order: { state, leadHours: 60 } });
    expect(job([], { parts: [part('wanted')] }).map(({ kind, share }) => [kind, share])).toEqual([
      ['order', 0],
      ['delivery', 0],
      ['check', 0],
    ]);
    expect(job([], { parts: [part('arrived')] }).map(({ share }) => share)).toEqual([1, 1, 0]);
  });

  it('take in what a person adds, where he puts it, and name a circle of steps', () => {
    const sill = repairOn(saloon, panelOf('sill-l'), 'make');
    const own = { id: 'own 1', title: 'Engine out', hours: 6, after: ['car safe', 'long gone'] };
    const steps = job([sill], { own: [own] });
    expect(placeOf(steps, 'own 1')).toBeGreaterThan(placeOf(steps, 'car safe'));
    expect(stepOf(steps, 'own 1').after.map(({ id }) => id)).toEqual(['car safe']);
    // What waits for it, also for what passes by the clock; and a circle through both.
    const harden = {
      id: 'own 2',
      title: 'Coat hardens',
      hours: 48,
      after: ['r coats'],
      before: ['r dress'],
      waits: true,
    };
    const other = steps.filter(({ repair }) => repair !== null);
    const [first, last] = [other[0]!.id, other.at(-1)!.id];
    const again = job([sill], { own: [{ ...harden, after: [], before: [last], waits: true, dry: true }] });
    expect(stepOf(again, last).after).toContainEqual({ id: 'own 2', why: 'You have put this before it.' });
    expect(stepOf(again, 'own 2')).toMatchObject({ waits: true, dry: true, hours: 48 });
    expect(() => job([sill], { own: [{ ...harden, after: [last], before: [first] }] })).toThrowError(/“Coat hardens”/);
    const ring = [
      { ...own, id: 'a', title: 'Wash', after: ['b'] },
      { ...own, id: 'b', title: 'Wax', after: ['a'] },
    ];
    expect(() => job([sill], { own: ring })).toThrowError(/“Wash”.*“Wax”.*“Wash”/);
  });

  it('always come after all that they wait for, whatever is repaired', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...bodyPlans().map(({ id }) => id)),
        fc.array(fc.tuple(fc.nat(), fc.constantFrom(...OPTIONS)), { minLength: 1, maxLength: 12 }),
        (id, picks) => {
          const plan = bodyPlan(id);
          const own = plan.panels;
          const repairs = picks.map(([i, choice], k) => ({
            ...repairOn(plan, own[i % own.length]!, choice),
            id: `r${k}`,
          }));
          const steps = jobSteps({ body: plan, repairs, finds: [], undecided: [] });
          expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
          const place = new Map(steps.map(({ id }, i) => [id, i]));
          steps.forEach(({ after, hours, title }, i) => {
            expect(hours, title).toBeGreaterThan(0);
            for (const { id, why } of after) {
              expect(place.get(id)!, `${title} after ${id}`).toBeLessThan(i);
              expect(why).toMatch(/^[A-Z].*\.$/s);
            }
          });
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a panel of which none is ordered any more', () => {
  it('is to be had before anything is opened, and leads to where another one is weighed', () => {
    const order = { state: 'wanted' as const, leadHours: 240, missing: true };
    const skin = repairOn(saloon, panelOf('door-skin-l'), 'whole', { order });
    const steps = job([skin]);
    const wanted = stepOf(steps, `${skin.id} order`);
    expect(wanted.title).toMatch(/none is ordered any more/);
    expect(wanted.path).toBe(`panels/door-skin-l/verdict?repair=${skin.id}`);
    expect(waitsFor(steps, `${skin.id} open`, wanted.id)).toBe(true);
  });
});

/* Schools of the trade; common practice, no published source. */
describe('the steps by the schools of a shop', () => {
  const floor = repairOn(saloon, panelOf('floor-front-l'), 'patch');
  const by = (over: Partial<Metalwork>, repairs: readonly JobRepair[] = [floor]) =>
    job(repairs, { metalwork: { ...usualMetalwork, ...over } });

  it('coat a new piece on the bench before it is fitted, or when it is in: the metal gets its hours either way', () => {
    const [after, before] = [by({ primed: 'after' }), by({ primed: 'before' })];
    const id = `${floor.id} precoat`;
    expect(stepOf(after, id)).toBeUndefined();
    expect(stepOf(before, `${floor.id} fit`).after.find((link) => link.id === id)?.lag).toBe(jobDefaults.cure);
    const coating = (steps: readonly JobStep[]) =>
      steps
        .filter(({ kind }) => ['precoat', 'behind', 'prime'].includes(kind))
        .reduce((sum, { hours }) => sum + hours, 0);
    // What burns at the joints is coated again.
    expect(coating(before)).toBeGreaterThan(coating(after));
    expect(coating(before)).toBeLessThan(1.2 * coating(after));
  });

  it('weld nothing where metal is only treated: tools are laid ready for what is done first', () => {
    const treated = repairOn(saloon, panelOf('floor-front-l'), 'treat');
    const work = [...treated.work, { name: 'Set up and clear away', hours: 0.5 }];
    const hours = treated.hours + 0.5;
    const kinds = (repair: JobRepair) => job([repair]).filter((step) => step.repair === repair.id);
    const own = kinds({ ...treated, work, hours });
    expect(own.map(({ kind }) => kind)).not.toContain('weld');
    expect(own.flatMap(({ needs }) => needs)).toEqual([]);
    expect(kinds({ ...floor, work: [...floor.work, work.at(-1)!] }).map(({ kind }) => kind)).toContain('weld');
  });

  it('let a converter harden before anything goes over it', () => {
    const treated = repairOn(saloon, panelOf('quarter-l'), 'treat');
    const lags = (rust: Metalwork['rust']) =>
      by({ rust }, [treated])
        .flatMap(({ after }) => after)
        .filter((link) => link.id === `${treated.id} treat`)
        .map(({ lag }) => lag);
    expect(lags('convert').length).toBeGreaterThan(0);
    expect(lags('convert').every((lag) => lag === jobDefaults.convert)).toBe(true);
    expect(lags('neutralise').every((lag) => lag === undefined)).toBe(true);
    expect(stepOf(by({ rust: 'blast' }, [treated]), `${treated.id} treat`).title).toMatch(/blast to white metal/);
  });

  it('treat the metal that stays beside a patch before anything is covered', () => {
    const work = [...floor.work, { name: 'Convert, neutralise and prime', hours: 0.5 }];
    const steps = by({ cutBack: 'holes' }, [{ ...floor, work }]);
    expect(stepOf(steps, `${floor.id} treat`).hours).toBeGreaterThan(0);
    expect(waitsFor(steps, `${floor.id} prime`, `${floor.id} treat`)).toBe(true);
    expect(stepOf(by({}), `${floor.id} treat`)).toBeUndefined();
  });

  it('fill nothing where metal is worked until none is needed', () => {
    const seen = repairOn(saloon, panelOf('quarter-l'), 'patch');
    expect(stepOf(by({}, [seen]), `${seen.id} fill`).hours).toBe(jobDefaults.fill);
    expect(stepOf(by({ finish: 'metal' }, [seen]), `${seen.id} fill`)).toBeUndefined();
  });

  it('leave the low edge of a hollow open, or seal it; the drains stay open in any case', () => {
    const sill = repairOn(saloon, panelOf('sill-l'), 'patch');
    const sealed = (lowEdge: Metalwork['lowEdge'], repair = sill) =>
      stepOf(by({ lowEdge }, [repair]), `${repair.id} seal`).title;
    expect(sealed('open')).toMatch(/low edge of the hollow and the drains stay open/);
    expect(sealed('shut')).toMatch(/the low edge too; the drains stay open/);
    // A floor has no hollow.
    expect(sealed('shut', floor)).toMatch(/seal the seams, leave the drains open/);
  });

  it('are in an order in which they can be done, whatever the schools, on any panel of the four bodies (property)', () => {
    const ids = bodyPlans().flatMap((plan) => plan.panels.map((panel) => `${plan.id}/${panel.id}`));
    const schools = fc.record({
      cutBack: fc.constantFrom('bright', 'holes'),
      rust: fc.constantFrom('neutralise', 'convert', 'blast'),
      finish: fc.constantFrom('filler', 'metal'),
      primed: fc.constantFrom('after', 'before'),
      lowEdge: fc.constantFrom('open', 'shut'),
      passage: fc.constant('cheapest'),
    });
    fc.assert(
      fc.property(fc.constantFrom(...ids), fc.constantFrom(...OPTIONS), schools, (id, choice, metalwork) => {
        const plan = bodyPlan(id.split('/')[0]!);
        const panel = plan.panels.find((one) => one.id === id.split('/')[1])!;
        const repairs = [repairOn(plan, panel, choice)];
        const steps = jobSteps({ body: plan, repairs, finds: [], undecided: [], metalwork: metalwork as Metalwork });
        for (const [i, step] of steps.entries())
          for (const link of step.after) {
            const before = placeOf(steps, link.id);
            expect(before).toBeGreaterThanOrEqual(0);
            expect(before).toBeLessThan(i);
            // What must follow soon is never made to wait for longer.
            if (link.within !== undefined) expect(link.lag ?? 0).toBeLessThanOrEqual(link.within);
          }
      }),
    );
  });
});
