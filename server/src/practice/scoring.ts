import type { Shop } from '@aspecta/contract/shop';
import type { PracticeEnd } from '@aspecta/contract/practice';
import { Problem } from '@aspecta/core';
import { bodyPlan, panelOf, type BodyPlan } from '@aspecta/core/body';
import { clipAll, inRing, simpleRing, type Polygon, type Ring } from '@aspecta/core/geometry';
import { goneOn, practiceCar, scorePractice, type PracticeHours, type PracticeScore } from '@aspecta/core/practice';
import type { Verdict } from '@aspecta/core/verdict';
import { weighRepair } from '../verdict/weighing.ts';

type Rules = Pick<Shop, 'rates' | 'schools'>;

/** Holds decisions on a made-up car against the truth, with hours by the same joints and paces as on a real one. */
export function practiceScore({ end: { answers, readings, ...seed }, rules }: { end: PracticeEnd; rules: Rules }): {
  score: PracticeScore;
  truth: { panel: string; gone: Ring[] }[];
} {
  const car = practiceCar(seed);
  const plan = bodyPlan(seed.plan);
  const truth = car.panels.map((own) => ({ panel: own.panel, gone: goneOn(plan, own).map(([ring]) => ring!) }));
  const hours = Object.fromEntries(
    car.panels.map(({ panel }): [string, PracticeHours] => {
      const drawn = onSheet(plan, panel, answers.find((answer) => answer.panel === panel)?.zones ?? []);
      const gone = truth.find((one) => one.panel === panel)!.gone;
      const known = weighed(plan, panel, gone, rules);
      const own = weighed(plan, panel, drawn, rules);
      // A panel without damage is made anew as well, where somebody asks for it: all of its seams are opened for nothing.
      const whole = hoursOf(known ?? own ?? weighed(plan, panel, [spotOn(plan, panel)], rules), 'make') ?? 0;
      return [panel, { patch: hoursOf(known, 'patch'), whole, drawn: hoursOf(own, 'patch') ?? (own ? whole : null) }];
    }),
  );
  return { score: scorePractice({ car, plan, answers, hours, readings }), truth };
}

/** A finger's breadth of a panel, for what its seams take whatever the damage. mm. */
function spotOn(plan: BodyPlan, panelId: string): Ring {
  const { outline } = panelOf(plan, panelId);
  const [u, v] = outline.find((p) => [-10, 10].some((by) => inRing([p[0] + by, p[1] + 10], outline))) ?? outline[0]!;
  const side = inRing([u + 10, v + 10], outline) ? 1 : -1;
  const ring: Ring = [
    [u, v],
    [u + side * 20, v],
    [u + side * 20, v + 20],
    [u, v + 20],
  ];
  return clipAll('intersection', [[ring]], [[outline]]).polygons[0]?.[0] ?? outline;
}

/** What of these areas lies on the panel. @throws Problem where one crosses itself */
function onSheet(plan: BodyPlan, panelId: string, zones: readonly Ring[]): Ring[] {
  if (zones.length === 0) return [];
  const { outline } = panelOf(plan, panelId);
  const drawn = zones.map((ring, i): Polygon => [simpleRing(`zones[${i}]`, ring)]);
  return clipAll('intersection', drawn, [[outline]]).polygons.map(([ring]) => ring!);
}

/** Null where nothing is there to be weighed, or no line can be laid around it. */
function weighed(plan: BodyPlan, panelId: string, rings: readonly Ring[], { rates, schools }: Rules): Verdict | null {
  if (rings.length === 0) return null;
  const layer = panelOf(plan, panelId).layers[0]!.id;
  const zones = rings.map((ring) => ({ class: 'through' as const, layer, ring, holes: [] }));
  try {
    return weighRepair({ plan, panelId, zones, offer: null, rates, schools, house: {} });
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}

function hoursOf(verdict: Verdict | null, id: 'patch' | 'make'): number | null {
  const option = verdict?.options.find((one) => one.id === id);
  return option && !option.ruledOut ? option.hours.p50 : null;
}
