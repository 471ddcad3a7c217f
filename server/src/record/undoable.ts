import { In, IsNull, Not, type DataSource } from 'typeorm';
import type { EventView } from '@aspecta/contract/record';
import type { EventRow, Undo } from '../events/entities.ts';
import { OrderEntity } from '../order/entities.ts';
import { FindEntity, ReadingEntity, ZoneEntity } from '../survey/entities.ts';
import { RepairEntity } from '../verdict/entities.ts';

type Way = NonNullable<EventView['undo']>;

/** How each kind is undone. */
const WAYS: Readonly<Record<Undo['kind'], (vehicle: string, undo: Undo) => Way>> = {
  zone: (vehicle, { ids }) => ({
    says: 'Bring it back',
    path: `/vehicles/${vehicle}/zones/${ids[0]}/restore`,
    body: {},
  }),
  find: (vehicle, { ids }) => ({
    says: 'Bring it back',
    path: `/vehicles/${vehicle}/finds/${ids[0]}/restore`,
    body: {},
  }),
  readings: (vehicle, { ids }) => ({
    says: 'Count again',
    path: `/vehicles/${vehicle}/readings/withdraw`,
    body: { ids, withdrawn: false },
  }),
  repair: (_vehicle, { ids, version }) => ({
    says: 'Let it stand again',
    path: `/repairs/${ids[0]}/restore`,
    body: { version },
  }),
  order: (_vehicle, { ids, version }) => ({ says: 'Take it back', path: `/orders/${ids[0]}/back`, body: { version } }),
};

/** What of these events can be undone as things stand now: nothing else has become of it since. */
export async function undoable(
  db: DataSource,
  events: readonly EventRow[],
): Promise<(event: EventRow) => EventView['undo']> {
  const idsOf = (kind: Undo['kind']) => events.flatMap(({ undo }) => (undo?.kind === kind ? undo.ids : []));
  const gone = { deletedAt: Not(IsNull()) };
  const [zones, finds, readings, repairs, orders] = await Promise.all([
    db.getRepository(ZoneEntity).find({ where: { id: In(idsOf('zone')), ...gone }, select: { id: true } }),
    db.getRepository(FindEntity).find({ where: { id: In(idsOf('find')), ...gone }, select: { id: true } }),
    db
      .getRepository(ReadingEntity)
      .find({ where: { id: In(idsOf('readings')), withdrawnAt: Not(IsNull()) }, select: { id: true } }),
    db.getRepository(RepairEntity).find({ where: { id: In(idsOf('repair')) }, select: { id: true, version: true } }),
    db.getRepository(OrderEntity).find({ where: { id: In(idsOf('order')) }, select: { id: true, version: true } }),
  ]);
  const there = new Set([...zones, ...finds, ...readings].map(({ id }) => id));
  const stands = new Set([...repairs, ...orders].map(({ id, version }) => `${id} ${version}`));
  // What was undone and done again stands there twice: the last time counts.
  const taken = new Set<string>();
  return ({ vehicleId, undo }) => {
    if (!undo) return null;
    const open =
      undo.version === undefined
        ? undo.ids.every((id) => there.has(id) && !taken.has(id))
        : stands.has(`${undo.ids[0]} ${undo.version}`);
    for (const id of undo.ids) taken.add(id);
    return open ? WAYS[undo.kind](vehicleId, undo) : null;
  };
}
