import { In, type DataSource } from 'typeorm';
import { WeldEntity, WeldStepEntity } from './entities.ts';

/** How far the welds of a repair have come. */
export interface WeldProgress {
  steps: number;
  done: number;
  /** Of all steps, 0 to 1. */
  share: number;
  /** When the last one was ticked; null as long as none is. */
  at: Date | null;
}

/** How far the welds of these repairs have come; those without a plan are left out. */
export async function weldProgress(
  db: DataSource,
  repairs: readonly string[],
): Promise<ReadonlyMap<string, WeldProgress>> {
  if (repairs.length === 0) return new Map();
  const [plans, ticked] = await Promise.all([
    // Only how many steps there are: the plans themselves are large.
    db
      .getRepository(WeldEntity)
      .createQueryBuilder('weld')
      .select('weld.id', 'id')
      .addSelect("JSON_LENGTH(weld.plan, '$.steps')", 'steps')
      .where({ id: In([...repairs]) })
      .getRawMany<{ id: string; steps: number | string }>(),
    db.getRepository(WeldStepEntity).find({
      where: { weldId: In([...repairs]) },
      select: { weldId: true, n: true, at: true },
    }),
  ]);
  return new Map(
    plans.map((plan): [string, WeldProgress] => {
      const own = ticked.filter(({ weldId }) => weldId === plan.id);
      const steps = Number(plan.steps);
      const at = own.length > 0 ? new Date(Math.max(...own.map((tick) => tick.at.getTime()))) : null;
      return [plan.id, { steps, done: own.length, share: steps > 0 ? own.length / steps : 0, at }];
    }),
  );
}
