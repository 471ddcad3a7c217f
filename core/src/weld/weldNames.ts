import { planRepair } from './planRepair.ts';
import { isHot, type RepairWeldInput } from './planTypes.ts';
import { weldId } from './seamWelds.ts';

/** Names of all welds that these joints and settings come to, whatever was said of single ones; other settings, other places. */
export function weldNames(input: RepairWeldInput): string[] {
  const { steps } = planRepair({ ...input, strategy: 'continuous', first: [], barred: [] });
  return steps.filter(isHot).map(({ kind, from, to }) => weldId(kind, from!, to!));
}
