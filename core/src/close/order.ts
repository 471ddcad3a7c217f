import { list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface ClosingStep {
  id: string;
  /** Faces that cannot be reached any more after it. */
  closes?: readonly string[];
  /** Faces that it coats. */
  coats?: readonly string[];
  /** Faces that it has to reach. */
  needs?: readonly string[];
  after?: readonly string[];
}
export interface ClosingOrder {
  order: string[];
  /** Faces that some step closes and none coats. */
  bare: string[];
  /** The first step in this order after which each face cannot be reached. */
  lastChance: { face: string; step: string }[];
}

const MOST = 5000;

/**
 * In which order are the steps done, so that every face is coated before it is closed, and which are
 * forgotten? A step that coats or needs a face comes before every step that closes it.
 *
 * @returns an order in which everything can be done, otherwise as the steps were given
 * @throws Problem naming the field; `cycle` naming the circle where it is impossible
 * Source: order by links (Kahn 1962).
 * @example order({ faces: ['inside'], steps: [{ id: 'weld', closes: ['inside'] }, { id: 'wax', coats: ['inside'] }] }).order // → ['wax', 'weld']
 */
export function order({ faces, steps }: { faces: readonly string[]; steps: readonly ClosingStep[] }): ClosingOrder {
  const known = new Set(list<string>('faces', faces, 0, MOST));
  const given = list<ClosingStep>('steps', steps, 1, MOST);
  const at = new Map<string, number>();
  given.forEach((step, i) => {
    if (typeof step?.id !== 'string' || step.id === '')
      refuse('no-name', `steps[${i}].id`, `steps[${i}].id must be a name.`);
    if (at.has(step.id))
      refuse('twice', `steps[${i}].id`, `Two steps are called ${step.id}; each needs a name of its own.`);
    at.set(step.id, i);
  });
  const facesOf = (i: number, field: 'closes' | 'coats' | 'needs') =>
    list<string>(`steps[${i}].${field}`, given[i]![field] ?? [], 0, MOST).map((face, k) => {
      if (!known.has(face))
        refuse(
          'unknown-face',
          `steps[${i}].${field}[${k}]`,
          `${given[i]!.id} names ${face}, which is not among the faces.`,
        );
      return face;
    });
  const closers = new Map<string, number[]>();
  const coated = new Set<string>();
  given.forEach((_, i) => {
    for (const face of facesOf(i, 'closes')) closers.set(face, [...(closers.get(face) ?? []), i]);
    for (const face of facesOf(i, 'coats')) coated.add(face);
  });
  const before = given.map(({ after = [] }, i) => {
    const links = list<string>(`steps[${i}].after`, after, 0, MOST).map((id, k) => {
      const from = at.get(id);
      if (from === undefined)
        return refuse(
          'unknown-step',
          `steps[${i}].after[${k}]`,
          `${given[i]!.id} comes after ${id}, which is no step.`,
        );
      return from;
    });
    return new Set(links);
  });
  given.forEach((_, i) => {
    for (const face of [...facesOf(i, 'coats'), ...facesOf(i, 'needs')])
      for (const closer of closers.get(face) ?? []) if (closer !== i) before[closer]!.add(i);
  });
  const sorted = inOrder(given, before);
  const place = new Map(sorted.map((i, k) => [i, k]));
  return {
    order: sorted.map((i) => given[i]!.id),
    bare: [...closers.keys()].filter((face) => !coated.has(face)),
    lastChance: [...closers].map(([face, those]) => ({
      face,
      step: given[those.reduce((a, b) => (place.get(b)! < place.get(a)! ? b : a))]!.id,
    })),
  };
}

/** Each step after all that it comes after; of those that may come next the one that was given first. */
function inOrder(steps: readonly ClosingStep[], before: readonly ReadonlySet<number>[]): number[] {
  const behind = steps.map((): number[] => []);
  before.forEach((links, i) => links.forEach((from) => behind[from]!.push(i)));
  const waits = before.map(({ size }) => size);
  const ready = new Set(waits.flatMap((count, i) => (count === 0 ? [i] : [])));
  const out: number[] = [];
  while (ready.size > 0) {
    const next = Math.min(...ready);
    ready.delete(next);
    out.push(next);
    for (const i of behind[next]!) if (--waits[i]! === 0) ready.add(i);
  }
  if (out.length < steps.length) refuseCircle(steps, before, new Set(out));
  return out;
}

/** Walks back from a step that is left until one comes again. */
function refuseCircle(
  steps: readonly ClosingStep[],
  before: readonly ReadonlySet<number>[],
  done: ReadonlySet<number>,
): never {
  let at = steps.findIndex((_, i) => !done.has(i));
  const way: number[] = [];
  while (!way.includes(at)) {
    way.push(at);
    at = [...before[at]!].find((from) => !done.has(from))!;
  }
  const circle = [...way.slice(way.indexOf(at)), at].map((i) => steps[i]!.id).reverse();
  return refuse(
    'cycle',
    'steps',
    `These steps wait for one another: ${circle.join(' before ')}. A face is closed before it can be reached; take one of them apart.`,
  );
}
