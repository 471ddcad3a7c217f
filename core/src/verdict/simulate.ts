import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { uniforms } from '../random.ts';

export type Variable =
  | { kind: 'triangular' | 'pert'; min: number; mode: number; max: number }
  | { kind: 'lognormal'; median: number; sigma: number }
  | { kind: 'fixed'; value: number };

export type Expression = { op: 'sum' | 'product'; of: readonly (string | Expression)[] };

export interface SimulateInput {
  variables: Readonly<Record<string, Variable>>;
  expression: Expression;
  runs: number;
  seed: number;
}

export interface Spread {
  mean: number;
  p10: number;
  p50: number;
  p90: number;
}

const MOST_RUNS = 1_000_000;
const MOST_NESTING = 50;

/**
 * How much may a sum or product of uncertain quantities come to? Monte Carlo with a
 * seeded stream: same input, same output.
 *
 * @param variables triangular, PERT (min ≤ mode ≤ max), lognormal (median > 0, sigma of the log ≥ 0) or fixed
 * @param runs 100 to 1,000,000
 * @throws Problem naming the field
 * Source: PERT mean (min + 4·mode + max)/6 and its beta form, Malcolm et al. 1959.
 */
export function simulate({ variables, expression, runs, seed }: SimulateInput): Spread {
  finite('runs', runs, { min: 100, max: MOST_RUNS });
  finite('seed', seed);
  const names = Object.keys(variables ?? {});
  list('variables', names, 1, 500);
  const samplers = Object.fromEntries(names.map((name) => [name, samplerOf(`variables.${name}`, variables[name]!)]));
  const used = compile('expression', expression, samplers, 0);
  const random = uniforms(seed);
  const results = new Float64Array(Math.floor(runs));
  const drawn: Record<string, number> = {};
  for (let run = 0; run < results.length; run++) {
    for (const name of names) drawn[name] = samplers[name]!(random);
    results[run] = used(drawn);
  }
  return spreadOf(results);
}

/** Mean and percentiles of results; sorts its argument in place. */
export function spreadOf(results: Float64Array): Spread {
  results.sort();
  const at = (share: number) => results[Math.min(results.length - 1, Math.floor(share * results.length))]!;
  return { mean: results.reduce((sum, x) => sum + x, 0) / results.length, p10: at(0.1), p50: at(0.5), p90: at(0.9) };
}

type Sampler = (random: () => number) => number;

/** One random value of a variable for each call. */
export function samplerOf(field: string, variable: Variable): Sampler {
  if (variable?.kind === 'fixed') {
    const value = finite(`${field}.value`, variable.value);
    return () => value;
  }
  if (variable?.kind === 'lognormal') {
    const median = finite(`${field}.median`, variable.median, { above: 0 });
    const sigma = finite(`${field}.sigma`, variable.sigma, { min: 0, max: 5 });
    return (random) => median * Math.exp(sigma * gaussian(random));
  }
  if (variable?.kind !== 'triangular' && variable?.kind !== 'pert')
    return refuse('unknown-kind', `${field}.kind`, `${field}.kind must be triangular, pert, lognormal or fixed.`);
  const min = finite(`${field}.min`, variable.min);
  const mode = finite(`${field}.mode`, variable.mode, { min });
  const max = finite(`${field}.max`, variable.max, { min: mode });
  const width = max - min;
  if (width === 0) return () => min;
  if (variable.kind === 'triangular') {
    const turn = (mode - min) / width;
    return (random) => {
      const x = random();
      return x < turn ? min + Math.sqrt(x * width * (mode - min)) : max - Math.sqrt((1 - x) * width * (max - mode));
    };
  }
  const alpha = 1 + (4 * (mode - min)) / width;
  const beta = 1 + (4 * (max - mode)) / width;
  return (random) => {
    const a = gamma(alpha, random);
    return min + (width * a) / (a + gamma(beta, random));
  };
}

/** Standard normal by Box & Muller 1958. */
function gaussian(random: () => number): number {
  return Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
}

/** Gamma with shape ≥ 1 and scale 1, by Marsaglia & Tsang 2000. */
function gamma(shape: number, random: () => number): number {
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = gaussian(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

function compile(
  field: string,
  expression: Expression,
  samplers: Readonly<Record<string, Sampler>>,
  depth: number,
): (drawn: Readonly<Record<string, number>>) => number {
  if (depth > MOST_NESTING) refuse('too-deep', field, `${field} is nested more than ${MOST_NESTING} deep.`);
  if (expression?.op !== 'sum' && expression?.op !== 'product')
    refuse('unknown-op', `${field}.op`, `${field}.op must be "sum" or "product".`);
  const parts = list<string | Expression>(`${field}.of`, expression.of, 1, 1000).map((part, i) => {
    if (typeof part !== 'string') return compile(`${field}.of[${i}]`, part, samplers, depth + 1);
    if (!Object.hasOwn(samplers, part))
      refuse('unknown-variable', `${field}.of[${i}]`, `There is no variable "${part}".`);
    return (drawn: Readonly<Record<string, number>>) => drawn[part]!;
  });
  return expression.op === 'sum'
    ? (drawn) => parts.reduce((total, part) => total + part(drawn), 0)
    : (drawn) => parts.reduce((total, part) => total * part(drawn), 1);
}
