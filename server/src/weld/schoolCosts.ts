import {
  NO_WELDING,
  settingsBy,
  TYPICAL_PATCH,
  WELDING_WORDS,
  type WeldingCost,
  type WeldingQuestion,
  type WeldingSchools,
} from '@aspecta/contract/shop';
import type { Point } from '@aspecta/core/geometry';
import type { RepairWeldInput } from '@aspecta/core/weld';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import type { Workbench } from '../work/bench.ts';

const { width, height, thickness } = TYPICAL_PATCH;
const RING: readonly Point[] = [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
  [0, 0],
];
/** Beside it, where new sheet lies on old: what screws would hold. */
const FLANGE: readonly Point[] = [
  [0, -40],
  [width, -40],
];
const WELDS_OF_FLANGE = 6;
/** A patch as it is let in every week: its cut butted, its lower edge plugged to a flange. */
const TYPICAL: Pick<RepairWeldInput, 'joints' | 'thickness'> = {
  thickness,
  joints: [
    { name: 'Cut', kind: 'cut', closing: 'butt', welds: 0, line: RING },
    { name: 'Flange', kind: 'spot', closing: 'plug', welds: WELDS_OF_FLANGE, line: FLANGE },
  ],
};

const isQuestion = (word: string): word is WeldingQuestion => Object.hasOwn(NO_WELDING, word);

/** What each way of welding comes to on a typical patch, in the workshop of this shop. */
export class WeldingCosts {
  private readonly shops: ShopService;
  private readonly bench: Workbench;

  constructor(shops: ShopService, bench: Workbench) {
    this.shops = shops;
    this.bench = bench;
  }

  async of(caller: Caller, question: string): Promise<WeldingCost[]> {
    if (!isQuestion(question)) throw notFound('question');
    const { welding, temperature } = await this.shops.shop(caller);
    const { process, strategy, holding, heat } = welding;
    const others: WeldingSchools = {
      ...{ process: process ?? 'mig', strategy: strategy ?? 'coolest' },
      ...{ holding: holding ?? 'clamps', heat: heat ?? 'cool' },
    };
    const choices = Object.keys(WELDING_WORDS[question]) as WeldingCost['choice'][];
    const plans = await this.bench.run(
      'weldEach',
      {
        inputs: choices.map(
          (choice): RepairWeldInput =>
            ({
              ...{ ...TYPICAL, ambient: temperature },
              ...settingsBy({ ...others, [question]: choice }),
            }) as RepairWeldInput,
        ),
      },
      caller.personId,
    );
    const least = Math.min(...plans.map(({ pull }) => pull));
    return plans.map(({ total, wait, pull }, i) => ({
      ...{ question, choice: choices[i]!, total, wait },
      pull: least > 0 ? pull / least : 1,
    }));
  }
}
