import type { Tracking } from '@aspecta/contract/order';
import { isAwaited } from '@aspecta/core/order';
import { dayIn } from '../shop/day.ts';
import { whereIs } from '../stand-ins/carrier.ts';
import type { OrderRow } from './entities.ts';

type Followed = Pick<OrderRow, 'tracking' | 'state' | 'due'>;

/** What the carrier says of a line that is on its way; null where it is not followed, or is here. */
export function trackingOf(
  { tracking, state, due }: Followed,
  timeZone: string | null | undefined,
  now = new Date(),
): Tracking | null {
  if (!tracking || !isAwaited(state)) return null;
  const { number, since } = tracking;
  const { steps, expected, handedOver } = whereIs(number, { since: new Date(since), due, now });
  return { number, steps, expected: dayIn(timeZone, expected), handedOver };
}

/** The day on which a line is expected: as its carrier says, or else as it was promised. */
export const expectedOn = (row: Followed, timeZone: string | null | undefined): string | null =>
  trackingOf(row, timeZone)?.expected ?? row.due;
