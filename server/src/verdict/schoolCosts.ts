import { SCHOOL_WORDS, type SchoolCost, type SchoolQuestion } from '@aspecta/contract/shop';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import type { Ring } from '@aspecta/core/geometry';
import type { Closing } from '@aspecta/core/repair';
import type { Caller } from '../http/session.ts';
import type { PaceService } from '../pace/service.ts';
import type { ShopService } from '../shop/service.ts';
import type { Workbench } from '../work/bench.ts';
import { block, RUNS } from './typical.ts';
import type { Weighing } from './weighing.ts';

interface Services {
  shops: ShopService;
  paces: PaceService;
  bench: Workbench;
}

/** Damage on which the ways of closing a joint are compared: places on the unitary saloon, mm. */
const TYPICAL: Readonly<Record<SchoolQuestion, { panel: string; ring: Ring }>> = {
  seen: { panel: 'quarter-l', ring: block(700, 300, 180, 120) },
  hidden: { panel: 'floor-front-l', ring: block(300, 200, 180, 120) },
  flange: { panel: 'floor-front-l', ring: block(300, 400, 180, 100) },
};

/** What each school comes to on a typical repair, by the rates, the other schools and the paces of this shop. */
export async function schoolCosts(
  { shops, paces, bench }: Services,
  caller: Caller,
  question: SchoolQuestion,
): Promise<SchoolCost[]> {
  const plan = bodyPlan('saloon');
  const [{ rates, schools }, own] = await Promise.all([shops.shop(caller), paces.of(caller)]);
  const { panel, ring } = TYPICAL[question];
  const layer = panelOf(plan, panel).layers[0]!.id;
  const ways = (Object.keys(SCHOOL_WORDS[question]) as Closing[]).map((choice) => ({ question, choice }));
  const verdicts = await bench.run(
    'weighEach',
    {
      repairs: ways.map(({ choice }): Weighing => {
        return {
          ...{ plan, panelId: panel, offer: null, rates },
          zones: [{ class: 'through', layer, ring, holes: [] }],
          schools: { ...schools, [question]: choice },
          house: { paces: own, runs: RUNS },
        };
      }),
    },
    caller.personId,
  );
  return ways.map((way, i) => {
    const patch = verdicts[i]!.options.find(({ id }) => id === 'patch')!;
    return { ...way, hours: patch.hours.p50, cost: patch.cost.p50 };
  });
}
