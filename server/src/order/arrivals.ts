import type { DataSource } from 'typeorm';
import { OUTCOME_WORDS, type ArrivalInput, type OrderLine } from '@aspecta/contract/order';
import type { ArrivalOutcome, OrderState } from '@aspecta/core/order';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { OrderEntity } from './entities.ts';
import type { OrderService } from './service.ts';
import { step } from './view.ts';
import { wantedLine } from './wanted.ts';

const BECOMES: Readonly<Record<ArrivalOutcome, OrderState>> = {
  fits: 'checked',
  rework: 'checked',
  keep: 'kept',
  return: 'returned',
};

/** A part is held against the car: used, worked on, kept as sheet or sent back; the same may be wanted elsewhere at once. */
export async function checkArrival(
  { db, orders }: { db: DataSource; orders: OrderService },
  caller: Caller,
  id: string,
  { on, note, credit, again, version, ...arrival }: ArrivalInput,
): Promise<OrderLine> {
  const line = await orders.line(caller, id);
  const state = BECOMES[arrival.outcome];
  // Sent again, because its answer was lost.
  if (line.version === version + 1 && line.state === state && line.arrival?.outcome === arrival.outcome) return line;
  if (line.version === version && line.state !== 'arrived')
    throw new ServerProblem('invalid', 'Only what has arrived can be checked; note its arrival first.', 'state');
  if (arrival.outcome === 'rework' && arrival.hours === 0)
    throw new ServerProblem('invalid', 'Say how many hours of work it needs, or use it as it is.', 'hours');
  const gone = state !== 'checked';
  if (again && !gone)
    throw new ServerProblem('invalid', 'A part that is used is not wanted again; leave the other maker out.', 'again');
  const hours = arrival.outcome === 'rework' ? arrival.hours : 0;
  await changeOf(db, line.vehicleId, async (manager) => {
    await changeVersioned(manager, {
      target: OrderEntity,
      id,
      seen: version,
      changes: {
        state,
        arrival: { ...arrival, hours },
        credit: state === 'returned' ? credit : null,
        history: [...line.history, step(state, on, caller, note)],
      },
      current: () => orders.line(caller, id),
    });
    const { vehicleId, repairId, panel, quantity } = line;
    const item = line.panel === '' ? line.panelName : null;
    if (again)
      await manager.insert(
        OrderEntity,
        wantedLine(caller, on, { vehicleId, repairId, panel, item, quantity, ...again }),
      );
    const text = `${line.panelName} checked: ${OUTCOME_WORDS[arrival.outcome].toLowerCase()}${again ? `; wanted from ${again.maker}` : ''}`;
    await record(manager, caller, vehicleId, 'order', text);
  });
  return orders.line(caller, id);
}
