import { planRepair } from './planRepair.ts';
import type { RepairWeldInput, Strategy, WeldPlan } from './planTypes.ts';

export const STRATEGIES: readonly Strategy[] = ['coolest', 'skip', 'backstep', 'continuous'];

/** One way to go about the same welds. */
export interface StrategyPlan extends Pick<
  WeldPlan,
  'arcTime' | 'waitTime' | 'totalTime' | 'hottestStart' | 'distortionIndex'
> {
  strategy: Strategy;
}

/**
 * What does each strategy cost in time, and how much does it pull the sheet about? The same welds under
 * the same limit, once for each.
 *
 * @param input as for planRepair; its strategy does not matter
 * @returns times in s, temperatures in °C, the index of pull only to compare these with each other
 */
export function compareWelds(input: RepairWeldInput): StrategyPlan[] {
  return STRATEGIES.map((strategy) => {
    const { arcTime, waitTime, totalTime, hottestStart, distortionIndex } = planRepair({ ...input, strategy });
    return { strategy, arcTime, waitTime, totalTime, hottestStart, distortionIndex };
  });
}
