import { In, type DataSource } from 'typeorm';
import type { PlanWishInput } from '@aspecta/contract/plan';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { PlanWishEntity } from './entities.ts';

/** As long as nobody has said anything. */
export const NO_WISH: PlanWishInput = { promised: null, outdoors: false, version: 0 };

/** What is wanted of the plans of these cars; those of which nobody has said anything are left out. */
export async function wishesOf(
  db: DataSource,
  vehicleIds: readonly string[],
): Promise<ReadonlyMap<string, PlanWishInput>> {
  const rows = await db.getRepository(PlanWishEntity).findBy({ id: In([...vehicleIds]) });
  return new Map(
    rows.map(({ id, promised, outdoors, version }) => [id, { promised, outdoors: Boolean(outdoors), version }]),
  );
}

/** Says anew what is wanted of the plan of a car. */
export async function wish(
  db: DataSource,
  caller: Caller,
  vehicleId: string,
  { version, ...wanted }: PlanWishInput,
): Promise<void> {
  const stored = async () => (await wishesOf(db, [vehicleId])).get(vehicleId) ?? NO_WISH;
  const { promised } = wanted;
  const at = promised === null ? 0 : Date.parse(`${promised}T00:00:00Z`);
  if (Number.isNaN(at) || (promised !== null && !new Date(at).toISOString().startsWith(promised)))
    throw new ServerProblem('invalid', 'This is no day of the calendar; choose another.', 'promised');
  await changeOf(db, vehicleId, async (manager) => {
    if (version === 0 && !(await manager.existsBy(PlanWishEntity, { id: vehicleId })))
      await manager.insert(PlanWishEntity, { id: vehicleId, ...wanted, version: 1 });
    else
      await changeVersioned(manager, {
        target: PlanWishEntity,
        id: vehicleId,
        seen: version,
        changes: wanted,
        current: stored,
      });
    const where = wanted.outdoors ? 'stands in the open' : 'stands in the dry';
    await record(
      manager,
      caller,
      vehicleId,
      'job',
      `Plan: ${promised ? `promised for ${promised}` : 'no day promised'}, ${where}`,
    );
  });
}
