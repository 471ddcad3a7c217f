import { randomUUID } from 'node:crypto';
import type { OptionId } from '@aspecta/core/verdict';
import { weldDefaults, type WeldSettingsInput } from '@aspecta/contract/weld';
import { VerdictService } from '@aspecta/server/verdict/service';
import { WeldService } from '@aspecta/server/weld/service';
import type { Chapter } from './chapter.ts';

interface Decision {
  zones: string[];
  choice: OptionId;
  reason: string;
  /** What was decided before somebody changed his mind. */
  first?: { choice: OptionId; reason: string };
  done?: boolean;
  stepsDone?: number;
  weld?: Partial<WeldSettingsInput>;
}
/** What was decided, and how far the welding has come. */
export const decide: Chapter = async ({ house, owner, id: vehicle, story, zones }) => {
  const [verdicts, welds] = [house.the(VerdictService), house.the(WeldService)];
  for (const decision of story.decisions as Decision[]) {
    const { choice, reason } = decision;
    const zoneIds = decision.zones.map((key) => zones.get(key)!);
    const begun = await verdicts.decide(owner, vehicle, {
      id: randomUUID(),
      zoneIds,
      choice,
      reason,
      ...decision.first,
    });
    const repair = decision.first
      ? await verdicts.change(owner, begun.id, { choice, reason, done: false, version: begun.version })
      : begun;
    if (decision.done) await verdicts.change(owner, repair.id, { choice, reason, done: true, version: repair.version });
    if (!decision.weld) continue;
    const plan = await welds.layOut(owner, repair.id, { ...weldDefaults, ...decision.weld, version: 0 });
    await welds.acknowledge(owner, repair.id);
    const steps = Math.round(plan.plan.steps.length * (decision.stepsDone ?? 0));
    const done = plan.plan.steps.slice(0, steps).map(({ n }) => n);
    if (done.length > 0) await welds.tick(owner, repair.id, { steps: done, done: true, version: plan.version });
  }
};
