import { offset, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { cornersOf, roundCorners, type Run } from './enclose.ts';
import { groundOf, type CutTask } from './ground.ts';
import { lineFrom, type CutLine } from './laid.ts';
import { WHY } from './runs.ts';
import { candidates, cheapestAround, weigh } from './weigh.ts';

/**
 * Where does the saw go? The damage is grown by the margin; the cheapest closed line around it
 * on the cost field is found (minimum cut); straight runs around the damage and around that
 * line, each as it is and moved to an edge or crease close by, are weighed on the same field, and the
 * cheapest is kept inside the panel and its corners rounded.
 *
 * @param task panel, damage, margin and shop rules, mm
 * @throws Problem naming the field
 * Source: minimum cut: Boykov & Kolmogorov 2004; costs common practice (T-01, T-12, T-13), no published source.
 */
export function cutLine(task: CutTask): CutLine {
  const ground = groundOf(task);
  const { damage, margin, rules } = ground;
  const grown = margin > 0 ? offset(damage, margin).polygons.flat(1) : damage.flat(1);
  const ideal = cheapestAround(ground, grown);
  const weighed = candidates(grown.flat(1), ideal?.places ?? [], ground)
    .map((candidate) => weigh(candidate, ground))
    .filter((candidate) => candidate !== undefined)
    .sort((a, b) => a.judged - b.judged)
    .filter(
      (one, i, all) =>
        all.findIndex((other) => Math.abs(other.cost - one.cost) < 0.5 && Math.abs(other.size - one.size) < 1) === i,
    );
  const best = weighed[0];
  if (!best)
    return refuse(
      'outside-panel',
      'damage',
      'No line can be drawn around this damage inside the panel; reduce the margin.',
    );
  const runs = best.followed.map(({ run }) => run);
  return {
    ...lineFrom(ground, {
      laid: cornersOf(runs),
      rounded: (inset) => roundCorners(cornersOf(runs, inset), Math.max(1, rules.cornerRadius - inset)),
      followedAt: (place) =>
        best.followed.reduce((a, b) => (distanceTo(b.run, place) < distanceTo(a.run, place) ? b : a)),
      whyFree: best.around ? WHY.around : WHY.free,
    }),
    leastCost: ideal?.cost ?? null,
    alternatives: weighed.slice(1).map(({ name, cost, length, size, followed }) => ({
      name,
      cost,
      length,
      area: size,
      laid: cornersOf(followed.map(({ run }) => run)),
    })),
  };
}

const distanceTo = (run: Run, p: Point) => Math.abs(run.normal[0] * p[0] + run.normal[1] * p[1] - run.offset);
