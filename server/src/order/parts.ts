import type { EntityManager } from 'typeorm';
import type { OrderLine, OrderMove, OrderStep } from '@aspecta/contract/order';
import { ServerProblem } from '../http/problems.ts';
import { OrderEntity, type OrderRow } from './entities.ts';

/** What of a move concerns only some of the pieces of a line; null where all of them move. @throws ServerProblem where there are not so many */
export function partOf({ quantity }: OrderLine, part: OrderMove['part']): OrderMove['part'] {
  if (part === null || part.pieces === quantity) return null;
  if (part.pieces > quantity)
    throw new ServerProblem(
      'invalid',
      `Only ${quantity} ${quantity === 1 ? 'piece was' : 'pieces were'} ordered; say how many of them have come.`,
      'part.pieces',
    );
  return part;
}

/** The pieces that have not come go on as a line of their own, as the line stood; the carriage was paid with the first. */
export async function putRest(
  manager: EntityManager,
  line: OrderLine,
  { pieces, rest }: NonNullable<OrderMove['part']>,
): Promise<void> {
  if (await manager.existsBy(OrderEntity, { id: rest })) return;
  const row = (await manager.findOneBy(OrderEntity, { id: line.id })) as OrderRow;
  await manager.insert(OrderEntity, {
    ...row,
    ...{ id: rest, state: line.state, history: line.history, due: line.due },
    ...{ quantity: line.quantity - pieces, carriage: 0, version: 1, createdAt: new Date() },
  });
}

/** How many pieces a line has again when the arrival of some of them was a slip: all, as long as nothing was said of the rest. */
export async function takeRestBack(
  manager: EntityManager,
  { quantity }: OrderLine,
  slip: OrderStep | undefined,
): Promise<number> {
  if (!slip?.part) return quantity;
  const { affected } = await manager.delete(OrderEntity, { id: slip.part.rest, version: 1 });
  return affected ? slip.part.of : quantity;
}
