import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  area,
  circle,
  clipAll,
  inRing,
  lineLength,
  pointAt,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { COST, cutLine, drillOut, enclosing, passage, split } from './index.ts';

/* Maximum flow by SciPy (sparse.csgraph.maximum_flow): core/fixtures/reference.py writes it. */
const reference = JSON.parse(readFileSync(new URL('../../fixtures/reference.json', import.meta.url), 'utf8')) as {
  cuts: { rows: number; cols: number; cost: number[]; source: number[]; value: number }[];
};
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const rectangle = (w: number, h: number): Polygon => [
  [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ],
];

/** Capacity of the edges between inside and outside. */
function capacityOf(
  { rows, cols, cost }: { rows: number; cols: number; cost: readonly number[] },
  inside: readonly number[],
): number {
  const within = new Set(inside);
  let sum = 0;
  for (let cell = 0; cell < rows * cols; cell++)
    for (const other of [
      ...((cell + 1) % cols > 0 ? [cell + 1] : []),
      ...(cell + cols < rows * cols ? [cell + cols] : []),
    ])
      if (within.has(cell) !== within.has(other)) sum += (cost[cell]! + cost[other]!) / 2;
  return sum;
}

describe('cut.enclosing', () => {
  it.each(reference.cuts.map((given, i) => [i, given] as const))(
    'reaches the flow that SciPy finds (%i)',
    (_i, given) => {
      const { value, inside } = enclosing(given);
      expect(value).toBeCloseTo(given.value, 6);
      expect(capacityOf(given, inside)).toBeCloseTo(value, 6);
    },
  );

  /* Maximum flow by SciPy as well: core/fixtures/gridCut.py writes it. */
  const weighed = JSON.parse(readFileSync(new URL('../../fixtures/gridCut.json', import.meta.url), 'utf8')) as {
    rows: number;
    cols: number;
    cost: number[];
    inside: number[];
    source: number[];
    value: number;
  }[];
  it.each(weighed.map((given, i) => [i, given] as const))('weighs what lies inside as SciPy does (%i)', (_i, given) => {
    const { value, inside } = enclosing(given);
    expect(value).toBeCloseTo(given.value, 6);
    const within = inside.reduce((sum, cell) => sum + given.inside[cell]!, 0);
    expect(capacityOf(given, inside) + within).toBeCloseTo(value, 6);
  });

  it('takes in cheap ground for a shorter line, and leaves dear ground out', () => {
    const cost = new Array<number>(81).fill(1);
    const source = [30, 32];
    // One cell lies between the two: taken in, it saves an edge on either side of it and costs one above and below.
    expect(enclosing({ rows: 9, cols: 9, cost, source }).value).toBe(8);
    expect(enclosing({ rows: 9, cols: 9, cost, source, inside: cost.map(() => 0.5) })).toEqual({
      value: 9,
      inside: [30, 32],
    });
  });

  it('cut value equals flow, holds the damage, and no single cell more or less is cheaper', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 9 }),
        fc.integer({ min: 4, max: 9 }),
        fc.infiniteStream(num(0.1, 20)),
        fc.integer({ min: 0, max: 1e6 }),
        (rows, cols, stream, pick) => {
          const cost = Array.from({ length: rows * cols }, () => stream.next().value as number);
          const inner = cost
            .map((_, i) => i)
            .filter((i) => i >= cols && i < cost.length - cols && i % cols > 0 && i % cols < cols - 1);
          const source = [inner[pick % inner.length]!, inner[(pick * 7 + 3) % inner.length]!];
          const { value, inside } = enclosing({ rows, cols, cost, source });
          expect(capacityOf({ rows, cols, cost }, inside)).toBeCloseTo(value, 6);
          for (const cell of source) expect(inside).toContain(cell);
          for (const cell of inner) {
            if (source.includes(cell)) continue;
            const other = inside.includes(cell) ? inside.filter((i) => i !== cell) : [...inside, cell];
            expect(capacityOf({ rows, cols, cost }, other)).toBeGreaterThan(value - 1e-6);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('goes around blocked cells, and says when it cannot', () => {
    const given = { rows: 7, cols: 7, cost: new Array<number>(49).fill(1), source: [24] };
    expect(enclosing(given).value).toBe(4);
    // The cell to the right is blocked: the line may not touch it, so all of its neighbours come inside.
    expect(enclosing({ ...given, blocked: [25] }).inside).toEqual([18, 24, 25, 26, 32]);
    expect(() => enclosing({ ...given, blocked: [25, 26, 27] })).toThrow(
      expect.objectContaining({ code: 'no-line', field: 'blocked' }),
    );
  });

  it.each([
    [{ source: [] }, 'source'],
    [{ source: [3] }, 'source[0]'],
    [{ source: [24.5] }, 'source[0]'],
    [{ cost: [1, 2] }, 'cost'],
    [{ cost: new Array<number>(49).fill(1).map((x, i) => (i === 9 ? 0 : x)) }, 'cost[9]'],
    [{ rows: 1e9 }, 'rows'],
    [{ inside: [1, 2] }, 'inside'],
    [{ inside: new Array<number>(49).fill(1).map((x, i) => (i === 9 ? -1 : x)) }, 'inside[9]'],
  ])('refuses by field (%#)', (bad, field) => {
    const given = { rows: 7, cols: 7, cost: new Array<number>(49).fill(1), source: [24], ...bad };
    expect(() => enclosing(given)).toThrow(expect.objectContaining({ field }));
  });
});

describe('the cut line on its cost field', () => {
  const outline: Ring = rectangle(800, 500)[0]!;
  const damage = [circle([400, 250], 40)];

  it('takes the cheapest of what it weighed, and says what the others would cost', () => {
    const line = cutLine({ panel: { outline }, damage, margin: 20 });
    expect(line.alternatives.length).toBeGreaterThan(0);
    expect(line.cost).toBeGreaterThan(line.cutLength * COST.edge);
    for (const other of line.alternatives)
      expect(other.cost * 1.3 + other.area / 400).toBeGreaterThan(line.cost + line.area / 400 - 1);
    expect(line.leastCost).toBeGreaterThan(0);
    expect(line.runs.every((run) => run.why.length > 20)).toBe(true);
  });

  it('makes a detour around what is dear', () => {
    const beside: Ring = [
      [455, 150],
      [475, 150],
      [475, 350],
      [455, 350],
    ];
    const plain = cutLine({ panel: { outline }, damage, margin: 20 });
    const hot = cutLine({
      panel: { outline, areas: [{ kind: 'heat', name: 'glass', outline: beside }] },
      damage,
      margin: 20,
    });
    const inside = (ring: Ring) => clipAll('intersection', [[ring]], [[beside]]).area / area([beside]);
    // Either well outside or not at all along it: the plain line runs right through the glass.
    expect(plain.runs.some((run) => run.from[0] > 455 && run.from[0] < 475)).toBe(true);
    expect(
      hot.runs.some((run) => Math.abs(run.from[0] - run.to[0]) < 1 && run.from[0] > 456 && run.from[0] < 474),
    ).toBe(false);
    expect(inside(hot.outline)).toBeGreaterThan(0);
  });

  it('goes around metal that cannot be welded, and says why it lies farther out', () => {
    const plain = cutLine({ panel: { outline }, damage, margin: 20 });
    const edge = Math.max(...plain.outline.map((p) => p[0]));
    const weak = circle([edge, 250], 30);
    const line = cutLine({ panel: { outline, unweldable: [weak] }, damage, margin: 20 });
    expect(line.warnings).toEqual([]);
    expect(line.area).toBeGreaterThan(plain.area);
    for (const { points, closed } of line.joints) {
      const way = closed ? [...points, points[0]!] : points;
      for (let at = 0; at < lineLength(way); at += 5) expect(inRing(pointAt(way, at), weak)).toBe(false);
    }
    expect(line.runs.some((run) => /too thin to weld to/.test(run.why))).toBe(true);
    expect(plain.runs.some((run) => /too thin to weld to/.test(run.why))).toBe(false);
  });

  it('warns where every line crosses metal that cannot be welded', () => {
    const rusty = { outline, unweldable: [circle([400, 250], 700)] };
    expect(cutLine({ panel: rusty, damage, margin: 20 }).warnings.join()).toMatch(/too thin to weld to/);
  });

  it('counts the welds inside it and names the layers behind', () => {
    const line = cutLine({
      panel: {
        outline,
        layers: ['outer', 'membrane', 'inner'],
        seams: [
          {
            line: [
              [360, 250],
              [440, 250],
            ],
            pitch: 40,
          },
        ],
      },
      damage,
      margin: 20,
    });
    expect(line.layersBehind).toEqual(['membrane', 'inner']);
    expect(line.weldsToDrill).toBe(2);
    // A seam that runs far beyond the piece counts only where the piece is.
    const far = (from: number, to: number) =>
      cutLine({
        panel: {
          outline,
          seams: [
            {
              line: [
                [from, 250],
                [to, 250],
              ],
              pitch: 40,
            },
          ],
        },
        damage,
        margin: 20,
      });
    const long = far(0, 800);
    const wide = Math.max(...long.outline.map((p) => p[0])) - Math.min(...long.outline.map((p) => p[0]));
    expect(Math.abs(long.weldsToDrill - wide / 40)).toBeLessThan(1.5);
  });
});

describe('cut.passage', () => {
  const through = (w: number, h: number, depth: number, a: number, b: number, clearance = 0) =>
    passage({ piece: rectangle(w, h), depth, opening: { a, b }, clearance });

  // Carver 1957: p × q passes tilted in a × b only where b ≥ (2pqa + (p² − q²)√(p² + q² − a²))/(p² + q²).
  it.each([
    [110, 10, 100, 60],
    [120, 20, 100, 90],
    [105, 30, 100, 40],
    [130, 25, 100, 95],
  ])('agrees with Carver’s condition for %d × %d in %d × %d', (p, q, a, b) => {
    const needed = (2 * p * q * a + (p * p - q * q) * Math.sqrt(p * p + q * q - a * a)) / (p * p + q * q);
    // A piece far longer than wide: only its section p × q counts.
    const { passes } = through(10_000, p, q, a, b);
    expect(passes).toBe(b >= needed);
  });

  it('finds a turn that really holds the section in the opening', () => {
    fc.assert(
      fc.property(num(50, 1500), num(5, 200), num(100, 1000), num(100, 1000), num(0, 50), (p, q, a, b, clearance) => {
        const found = passage({ piece: rectangle(20_000, p), depth: q, opening: { a, b }, clearance });
        if (!found.passes) return;
        const [c, s] = [Math.cos((found.turn * Math.PI) / 180), Math.sin((found.turn * Math.PI) / 180)];
        const [long, short] = [Math.max(p, q), Math.min(p, q)];
        // The turn is named to a quarter of a degree.
        expect(long * c + short * s).toBeLessThan(Math.max(a, b) - clearance + long * 0.01);
        expect(long * s + short * c).toBeLessThan(Math.min(a, b) - clearance + long * 0.01);
      }),
    );
  });

  it('asks for the play in all of T-16, and tells what is missing', () => {
    expect(through(600, 300, 60, 400, 350, 50)).toMatchObject({ passes: true, section: { width: 300, depth: 60 } });
    const stuck = through(600, 500, 400, 400, 350, 50);
    expect(stuck.passes).toBe(false);
    expect(stuck.how).toMatch(/missing/);
  });
});

describe('cut.split', () => {
  const given = {
    piece: rectangle(1800, 1200),
    depth: 120,
    opening: { a: 850, b: 700 },
    clearance: 50,
    allowed: [
      [
        [600, 0],
        [600, 1200],
      ],
      [
        [1200, 0],
        [1200, 1200],
      ],
      [
        [0, 600],
        [1800, 600],
      ],
    ] as [Point, Point][],
  };

  it('parts the pan once where once is enough, and loses no metal', () => {
    const { sections, lines } = split(given);
    expect(lines.map(({ line }) => line)).toEqual([2]);
    expect(sections).toHaveLength(2);
    expect(sections.every((section) => section.passage.passes)).toBe(true);
    expect(sections.reduce((sum, { outline }) => sum + area([outline]), 0)).toBeCloseTo(1800 * 1200, 0);
    expect(lines[0]!.crossings.map(({ offset }) => offset)).toEqual([600, 600]);
  });

  it('leaves it whole where it passes, and names the way out where nothing passes', () => {
    expect(split({ ...given, piece: rectangle(500, 400) })).toMatchObject({ lines: [] });
    expect(() => split({ ...given, opening: { a: 200, b: 90 } })).toThrow(
      expect.objectContaining({ code: 'cannot-pass', field: 'allowed' }),
    );
    expect(() => split({ ...given, allowed: [] })).toThrow(/allow lines/);
  });
});

describe('cut.drillOut', () => {
  // T-22: 1.5 to 2 minutes each with access.
  it('counts at the as-built pitch and works from the middle out, hidden seams last', () => {
    const found = drillOut({
      seams: [
        { length: 200, pitch: 40, sheets: 2, hidden: true },
        { length: 400, pitch: 40, sheets: 2 },
      ],
      minutesEach: 1.75,
    });
    expect(found.count).toBe(15);
    expect(found.positions[1]![0]).toBe(20);
    expect(found.order[0]).toEqual({ seam: 1, at: 180 });
    expect(found.order.at(-1)!.seam).toBe(0);
    expect(found.minutes).toBeCloseTo(10 * 1.75 + 5 * 1.75 * 1.5, 9);
    expect(found.time).toBeCloseTo(found.minutes * 60, 9);
  });
  it('a seam shorter than its pitch has one', () => {
    expect(drillOut({ seams: [{ length: 15, pitch: 40, sheets: 2 }], minutesEach: 2 }).positions).toEqual([[7.5]]);
    expect(() => drillOut({ seams: [{ length: 15, pitch: 40, sheets: 1 }], minutesEach: 2 })).toThrow(
      expect.objectContaining({ field: 'seams[0].sheets' }),
    );
  });
});
