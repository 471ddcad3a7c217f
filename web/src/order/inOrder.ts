import type { OrderLine, OrderNeed } from '@aspecta/contract/order';
import { isAwaited, isOver } from '@aspecta/core/order';

const RANKS = ['arrived', 'needless', 'late', 'wanted', 'awaited', 'here', 'over'] as const;

function rankOf(line: OrderLine): (typeof RANKS)[number] {
  if (isOver(line.state)) return 'over';
  if (line.state === 'arrived') return 'arrived';
  if (line.unneeded !== null) return 'needless';
  if (line.late) return 'late';
  if (line.state === 'wanted') return 'wanted';
  return isAwaited(line.state) ? 'awaited' : 'here';
}

/** Lines by what has to be done about them first: what has arrived, what is late, what must be ordered soonest, what comes next. */
export function inOrder(lines: readonly OrderLine[], needs: readonly OrderNeed[] = []): OrderLine[] {
  const by = new Map(needs.map(({ line, orderBy, neededOn }) => [line, orderBy ?? neededOn]));
  const day = (line: OrderLine) => (line.state === 'wanted' ? by.get(line.id) : line.due) ?? '9999';
  return lines
    .map((line) => ({ line, rank: RANKS.indexOf(rankOf(line)), day: day(line) }))
    .sort((a, b) => a.rank - b.rank || a.day.localeCompare(b.day))
    .map(({ line }) => line);
}
