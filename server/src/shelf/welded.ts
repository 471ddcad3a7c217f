import { In, type DataSource } from 'typeorm';
import type { WeldSupplies } from '@aspecta/core/weld';
import type { ShelfUse } from '@aspecta/core/shelf';
import { WeldEntity, WeldStepEntity } from '../weld/entities.ts';

/** What the welds of these repairs have used, with when, and what is left to do of them takes; by repair. */
export async function weldUses(
  db: DataSource,
  repairs: readonly string[],
): Promise<{ repair: string; used: (ShelfUse & { at: number })[]; needs: ShelfUse[] }[]> {
  if (repairs.length === 0) return [];
  const [plans, ticked] = await Promise.all([
    // Only what they use up: the plans themselves are large.
    db
      .getRepository(WeldEntity)
      .createQueryBuilder('weld')
      .select('weld.id', 'id')
      .addSelect("JSON_LENGTH(weld.plan, '$.steps')", 'steps')
      .addSelect("JSON_EXTRACT(weld.plan, '$.supplies')", 'supplies')
      .addSelect("JSON_VALUE(weld.input, '$.process')", 'process')
      .where({ id: In([...repairs]) })
      .getRawMany<{ id: string; steps: number | string; supplies: string | WeldSupplies | null; process: string }>(),
    db.getRepository(WeldStepEntity).find({ where: { weldId: In([...repairs]) }, select: { weldId: true, at: true } }),
  ]);
  return plans.flatMap(({ id, steps, supplies, process }) => {
    if (supplies === null || Number(steps) === 0) return [];
    // Some drivers read JSON by themselves.
    const told = typeof supplies === 'string' ? (JSON.parse(supplies) as WeldSupplies) : supplies;
    const all = usesOf(told, process);
    const done = ticked.filter(({ weldId }) => weldId === id);
    const share = 1 / Number(steps);
    return [
      {
        repair: id,
        used: done.flatMap(({ at }) =>
          all.map(({ kind, amount }) => ({ kind, amount: amount * share, at: at.getTime() })),
        ),
        needs: all.map(({ kind, amount }) => ({ kind, amount: amount * Math.max(0, 1 - done.length * share) })),
      },
    ];
  });
}

function usesOf({ filler, gas, discs }: WeldSupplies, process: string): ShelfUse[] {
  return [
    ...(filler ? [{ kind: process === 'mig' ? ('wire' as const) : ('rod' as const), amount: filler.grams }] : []),
    ...(gas ? [{ kind: 'gas' as const, amount: gas }] : []),
    ...(discs > 0 ? [{ kind: 'disc' as const, amount: discs }] : []),
  ];
}
