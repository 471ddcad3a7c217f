import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pertTable } from './pertTable.ts';
import { calibrate, compare, simulate, type Rates, type Repair } from './index.ts';

const rates: Rates = { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 };
const repair: Repair = {
  panel: {
    name: 'Rear quarter, left',
    area: 900_000,
    jointLength: 3200,
    spotWelds: 84,
    bolted: false,
    thickness: 0.9,
    curvature: 'double',
    structural: false,
    visible: true,
  },
  zones: [{ class: 'through', area: 9_000, patchPerimeter: 560, patchArea: 19_600, toMount: null }],
  offer: { landed: 38_000, leadDays: 10 },
};

describe('options against each other', () => {
  const offered = (over: Partial<Repair['panel']> = {}, more: Partial<Repair> = {}): Repair => ({
    ...repair,
    panel: { ...repair.panel, ...over },
    ...more,
  });
  const of = (result: ReturnType<typeof compare>, id: string) => result.options.find((option) => option.id === id)!;

  // Common random numbers (Law & Kelton): an option that is the same work and more never wins by chance.
  it('are drawn alike: what is the same work and more is never quicker', () => {
    const result = compare({ repair: offered({}, { offer: { landed: 0, leadDays: 0 } }), rates });
    expect(of(result, 'make').quickest).toBe(0);
    expect(of(result, 'make').cheapest).toBe(0);
    const shares = result.options.reduce((sum, option) => sum + option.cheapest, 0);
    expect(shares).toBeCloseTo(1, 9);
  });

  it('never strip or coat more than the panel has, by one rule for patch and panel', () => {
    const all: Repair = offered(
      {},
      { zones: [{ ...repair.zones[0]!, area: 1_200_000, patchArea: 880_000, patchPerimeter: 3800 }] },
    );
    const result = compare({ repair: all, rates });
    const count = (id: string, name: RegExp) =>
      of(result, id).elements.find((element) => name.test(element.name))?.count ?? 0;
    expect(count('patch', /^Strip/)).toBeCloseTo(90, 6);
    expect(count('treat', /^Strip/)).toBeCloseTo(90, 6);
    expect(count('whole', /^Coat/) / (900_000 / 10_000)).toBeCloseTo(count('patch', /^Coat/) / (880_000 / 10_000), 6);
    expect(result.damageShare).toBe(1);
    expect(of(result, 'patch').for.join(' ')).not.toMatch(/Only|stays original/);
  });

  it('count shares over the layers on which the damage lies', () => {
    const two = offered({}, { layers: 2, zones: [0, 1].map(() => ({ ...repair.zones[0]!, area: 450_000 })) });
    expect(compare({ repair: two, rates }).damageShare).toBeCloseTo(0.5, 9);
  });

  it('never say that something is certain', () => {
    const cheap = compare({ repair: offered({}, { offer: { landed: 9_000_000, leadDays: 0 } }), rates });
    expect(cheap.why).not.toMatch(/100 times in 100/);
    expect(cheap.why).toMatch(/times in 100/);
  });

  it('treat aluminium as aluminium', () => {
    const result = compare({
      repair: offered({ material: 'aluminium' }, { zones: [{ ...repair.zones[0]!, class: 'pitted' }] }),
      rates,
    });
    expect(of(result, 'patch').against.join(' ')).toMatch(/TIG on AC with pure argon/);
    expect(of(result, 'patch').against.join(' ')).toMatch(/Never joined to the steel/);
    expect(
      of(result, 'treat')
        .elements.map(({ name }) => name)
        .join(' '),
    ).toMatch(/white corrosion/);
    expect(of(result, 'treat').against.join(' ')).not.toMatch(/Rust/);
  });
});

describe('verdict.simulate', () => {
  // PERT mean (min + 4·mode + max)/6: Malcolm et al. 1959.
  it('agrees with the PERT mean', () => {
    const { mean } = simulate({
      variables: { t: { kind: 'pert', min: 2, mode: 5, max: 14 } },
      expression: { op: 'sum', of: ['t'] },
      runs: 40_000,
      seed: 1,
    });
    expect(mean).toBeCloseTo((2 + 20 + 14) / 6, 1);
  });

  // Closed forms: the triangular mean (a+b+c)/3; lognormal percentiles median·exp(±1.2816σ).
  it('agrees with the triangular mean and lognormal percentiles', () => {
    expect(
      simulate({
        variables: { t: { kind: 'triangular', min: 0, mode: 3, max: 9 } },
        expression: { op: 'sum', of: ['t'] },
        runs: 40_000,
        seed: 2,
      }).mean,
    ).toBeCloseTo(4, 1);
    const s = simulate({
      variables: { t: { kind: 'lognormal', median: 10, sigma: 0.4 } },
      expression: { op: 'sum', of: ['t'] },
      runs: 60_000,
      seed: 3,
    });
    expect(s.p10 / (10 * Math.exp(-1.2815516 * 0.4))).toBeCloseTo(1, 1);
    expect(s.p90 / (10 * Math.exp(1.2815516 * 0.4))).toBeCloseTo(1, 1);
  });

  it('is reproducible, and takes sums within products', () => {
    const input = {
      variables: { a: { kind: 'fixed', value: 3 }, b: { kind: 'fixed', value: 4 } },
      expression: { op: 'product', of: ['a', { op: 'sum', of: ['a', 'b'] }] },
      runs: 100,
      seed: 9,
    } as const;
    expect(simulate(input)).toEqual({ mean: 21, p10: 21, p50: 21, p90: 21 });
    expect(simulate(input)).toEqual(simulate(input));
  });

  it.each([
    [{ variables: {}, expression: { op: 'sum', of: ['t'] }, runs: 1000, seed: 1 }, 'variables'],
    [
      {
        variables: { t: { kind: 'pert', min: 5, mode: 2, max: 9 } },
        expression: { op: 'sum', of: ['t'] },
        runs: 1000,
        seed: 1,
      },
      'variables.t.mode',
    ],
    [
      { variables: { t: { kind: 'fixed', value: 1 } }, expression: { op: 'sum', of: ['x'] }, runs: 1000, seed: 1 },
      'expression.of[0]',
    ],
    [
      { variables: { t: { kind: 'fixed', value: 1 } }, expression: { op: 'power', of: ['t'] }, runs: 1000, seed: 1 },
      'expression.op',
    ],
    [{ variables: { t: { kind: 'fixed', value: 1 } }, expression: { op: 'sum', of: ['t'] }, runs: 1, seed: 1 }, 'runs'],
  ])('refuses bad input by field (%#)', (input, field) => {
    expect(() => simulate(input as never)).toThrow(expect.objectContaining({ field }));
  });
});

describe('verdict.compare', () => {
  it('cannot treat what is through, and proposes a patch for a small hole', () => {
    const verdict = compare({ repair, rates });
    expect(verdict.options[0]!.ruledOut).toMatch(/cut out/);
    expect(verdict.proposed).toBe('patch');
    expect(verdict.damageShare).toBeCloseTo(0.01, 6);
    expect(verdict.options.reduce((sum, option) => sum + option.cheapest, 0)).toBeCloseTo(1, 6);
  });

  it('proposes treating pitted metal, but not metal that stays too thin', () => {
    const of = (kind: 'pitted' | 'thin') =>
      compare({ repair: { ...repair, zones: [{ ...repair.zones[0]!, class: kind }] }, rates });
    expect(of('pitted').proposed).toBe('treat');
    expect(of('thin')).toMatchObject({ proposed: 'patch', why: expect.stringMatching(/too thin to weld/) });
  });

  it('proposes the whole panel once the damage is past the break-even share', () => {
    const { breakEvenShare } = compare({ repair, rates });
    expect(breakEvenShare).toBeGreaterThan(0.02);
    const grown = (share: number): Repair => {
      const scale = (share * repair.panel.area) / 9_000;
      return {
        ...repair,
        zones: [
          {
            ...repair.zones[0]!,
            area: 9_000 * scale,
            patchArea: 19_600 * scale,
            patchPerimeter: 560 * Math.sqrt(scale),
          },
        ],
      };
    };
    expect(compare({ repair: grown(breakEvenShare! * 1.4), rates }).proposed).toBe('whole');
    expect(compare({ repair: grown(breakEvenShare! * 0.6), rates }).proposed).toBe('patch');
  });

  it('buys rather than makes what comes to about as much and takes fewer hours; much dearer it is made', () => {
    const priced = (landed: number) =>
      compare({
        repair: {
          ...repair,
          zones: [{ ...repair.zones[0]!, area: 880_000, patchArea: 895_000, patchPerimeter: 3600 }],
          offer: { landed, leadDays: 1 },
        },
        rates,
      });
    const told = new Set<string>();
    for (let landed = 0; landed <= 400_000; landed += 10_000) {
      const verdict = priced(landed);
      const [make, whole] = ['make', 'whole'].map((id) => verdict.options.find((option) => option.id === id)!);
      if (verdict.proposed !== 'make' && verdict.proposed !== 'whole') continue;
      const near = whole!.cost.p50 <= make!.cost.p50 * 1.1;
      expect(verdict.proposed).toBe(near ? 'whole' : 'make');
      if (near && whole!.cost.p50 > make!.cost.p50) expect(verdict.why).toMatch(/% dearer\), with \d+\.\d h less work/);
      told.add(`${verdict.proposed} ${whole!.cost.p50 > make!.cost.p50}`);
    }
    expect([...told].sort()).toEqual(['make true', 'whole false', 'whole true']);
  });

  it('has the whole panel take over at the latest where the patch is nearly all of it, however dear the panel', () => {
    for (const landed of [0, 50_000, 5_000_000])
      for (const share of [0.3, 0.6, 0.71, 0.84]) {
        const zone = {
          ...repair.zones[0]!,
          area: share * repair.panel.area,
          patchArea: 1.2 * share * repair.panel.area,
        };
        const verdict = compare({ repair: { ...repair, zones: [zone], offer: { ...repair.offer!, landed } }, rates });
        const patch = verdict.options.find(({ id }) => id === 'patch')!;
        expect(verdict.breakEvenShare!).toBeLessThanOrEqual(0.85 / 1.2 + 1e-9);
        if (patch.ruledOut) expect(verdict.damageShare).toBeGreaterThanOrEqual(verdict.breakEvenShare! - 1e-9);
        for (const { share: at } of verdict.costByShare!.patch) expect(at).toBeLessThanOrEqual(0.85 / 1.2 + 1e-9);
      }
  });

  it('tells what patching costs as the damage grows: more and more, and past the whole panel at the break-even', () => {
    const { costByShare, breakEvenShare } = compare({ repair, rates });
    const patch = costByShare!.patch;
    for (let i = 1; i < patch.length; i++) {
      expect(patch[i]!.share).toBeGreaterThan(patch[i - 1]!.share);
      expect(patch[i]!.cost.p50).toBeGreaterThan(patch[i - 1]!.cost.p50);
    }
    for (const { share, cost } of patch) {
      expect(cost.p10).toBeLessThan(cost.p50);
      expect(cost.p90).toBeGreaterThan(cost.p50);
      expect(cost.p50 > costByShare!.whole.p50).toBe(share > breakEvenShare!);
    }
    expect(compare({ repair: { ...repair, offer: undefined } as never, rates }).costByShare).toBeNull();
  });

  it('counts its hours: twice the weld takes longer, twice the pace takes twice as long', () => {
    const hours = (r: Repair, pace = 1) => compare({ repair: r, rates, house: { pace } }).options[1]!.hours.p50;
    const longer = { ...repair, zones: [{ ...repair.zones[0]!, patchPerimeter: 1120 }] };
    expect(hours(longer)).toBeGreaterThan(hours(repair) * 1.2);
    expect(hours(repair, 2) / hours(repair)).toBeCloseTo(2, 9);
  });

  it('warns near a mount and never says that anything passes', () => {
    const near = compare({ repair: { ...repair, zones: [{ ...repair.zones[0]!, toMount: 120 }] }, rates });
    expect(near.mountCaution).toMatch(/local code/);
    expect(JSON.stringify(near)).not.toMatch(/\bsafe\b|\bpasses\b/i);
  });

  it('needs a price for a whole panel', () => {
    const verdict = compare({ repair: { ...repair, offer: null }, rates });
    expect(verdict.options[2]!.ruledOut).toMatch(/No price/);
    expect(verdict.breakEvenShare).toBeNull();
  });

  it('never answers with NaN, and keeps P10 ≤ P50 ≤ P90', () => {
    const zone = fc.record({
      class: fc.constantFrom('through', 'thin', 'pitted', 'filler', 'old-repair'),
      area: fc.double({ min: 1, max: 1e6, noNaN: true }),
      patchPerimeter: fc.double({ min: 0, max: 1e4, noNaN: true }),
      patchArea: fc.double({ min: 0, max: 1e6, noNaN: true }),
      toMount: fc.constantFrom(null, 0, 500),
    });
    fc.assert(
      fc.property(fc.array(zone, { minLength: 1, maxLength: 6 }), fc.boolean(), (zones, bolted) => {
        const verdict = compare({
          repair: { ...repair, panel: { ...repair.panel, bolted }, zones: zones as Repair['zones'] },
          rates,
          house: { runs: 200 },
        });
        for (const { hours, cost } of verdict.options) {
          for (const x of [hours.p10, hours.p50, hours.p90, cost.p50]) expect(Number.isFinite(x)).toBe(true);
          expect(hours.p10).toBeLessThanOrEqual(hours.p50);
          expect(hours.p50).toBeLessThanOrEqual(hours.p90);
        }
      }),
      { numRuns: 25 },
    );
  });

  it.each([
    [{ ...repair, zones: [] }, 'repair.zones'],
    [{ ...repair, panel: { ...repair.panel, area: 0 } }, 'repair.panel.area'],
    [{ ...repair, zones: [{ ...repair.zones[0]!, area: Number.NaN }] }, 'repair.zones[0].area'],
  ])('refuses bad input by field (%#)', (bad, field) => {
    expect(() => compare({ repair: bad, rates })).toThrow(expect.objectContaining({ field }));
  });
});

describe('verdict.calibrate', () => {
  const cases = (ratio: number, n: number) => Array.from({ length: n }, () => ({ estimated: 2, actual: 2 * ratio }));

  it('believes the estimate without history, and the history in the end', () => {
    const fresh = calibrate({ element: 'fit', history: [] });
    expect(fresh.factor).toBe(1);
    expect(fresh.low * fresh.high).toBeCloseTo(1, 9);
    expect(calibrate({ element: 'fit', history: cases(1.5, 400) }).factor).toBeCloseTo(1.5, 2);
  });

  // Conjugate normal-gamma by hand (Gelman et al., §3.3): two prior cases at 0, three at ln 2: location 3·ln 2/5.
  it('is the posterior worked by hand', () => {
    expect(calibrate({ element: 'fit', history: cases(2, 3) }).factor).toBeCloseTo(2 ** 0.6, 9);
  });

  it('is surer of the factor than of the next case, and refuses nothing and nobody', () => {
    const { low, high, next } = calibrate({ element: 'fit', history: [...cases(1.2, 3), ...cases(1.7, 3)] });
    expect(next.low).toBeLessThan(low);
    expect(next.high).toBeGreaterThan(high);
    expect(() => calibrate({ element: '', history: [] })).toThrow(expect.objectContaining({ field: 'element' }));
    expect(() => calibrate({ element: 'fit', history: [{ estimated: 0, actual: 1 }] })).toThrow(
      expect.objectContaining({ field: 'history[0].estimated' }),
    );
  });
});

describe('the options of a verdict', () => {
  const options = (house = {}, given = repair) => compare({ repair: given, rates, house }).options;

  it('are treat, patch, part of a panel, whole panel and make; a sheet laid over only where the house allows it', () => {
    expect(options().map(({ id }) => id)).toEqual(['treat', 'patch', 'part', 'whole', 'make']);
    const hidden = {
      ...repair,
      panel: { ...repair.panel, visible: false },
      zones: [{ ...repair.zones[0]!, class: 'pitted' as const }],
    };
    const overlay = options({ overlay: true }, hidden).find(({ id }) => id === 'overlay')!;
    expect(overlay.ruledOut).toBeNull();
    expect(options({ overlay: true }).find(({ id }) => id === 'overlay')!.ruledOut).toMatch(/what is through/);
    const structural = { ...hidden, panel: { ...hidden.panel, structural: true } };
    expect(options({ overlay: true }, structural).find(({ id }) => id === 'overlay')!.ruledOut).toMatch(/load-bearing/);
  });

  it('what must be bought needs a price and waits for delivery; making waits for nobody and takes longest', () => {
    const without = options({}, { ...repair, offer: null });
    expect(without.filter(({ ruledOut }) => /No price/.test(ruledOut ?? '')).map(({ id }) => id)).toEqual([
      'part',
      'whole',
    ]);
    const all = new Map(options().map((option) => [option.id, option]));
    expect(all.get('part')!.waitDays).toBe(10);
    expect(all.get('part')!.days.p10).toBeGreaterThan(11);
    expect(all.get('make')!.waitDays).toBe(0);
    expect(all.get('make')!.hours.p50).toBeGreaterThan(all.get('whole')!.hours.p50);
    expect(all.get('patch')!.days.p50).toBeCloseTo(all.get('patch')!.hours.p50 / 6 + 1, 1);
  });

  // PERT mean (min + 4·mode + max)/6 and its beta shape: Malcolm et al. 1959.
  it('the table of a PERT has its mean, its ends and a rising inverse', () => {
    const table = pertTable([6, 9, 15]);
    const draws = Array.from({ length: 20_000 }, (_, i) => table((i + 0.5) / 20_000));
    expect(draws.reduce((a, b) => a + b, 0) / draws.length).toBeCloseTo((6 + 36 + 15) / 6, 3);
    expect(draws.every((x, i) => i === 0 || x >= draws[i - 1]!)).toBe(true);
    expect([table(1e-12), table(1 - 1e-12)]).toEqual([expect.closeTo(6, 1), expect.closeTo(15, 0)]);
    expect(pertTable([4, 4, 4])(0.3)).toBe(4);
  });
});
