import type { PlannedMoney } from '@aspecta/contract/purse';
import type { Chart } from '../charts/chart.ts';

const DAY = 86_400_000;

/** What is there after each pay day and each order, in the order of the days. */
export function balances({
  left,
  comes,
  pays,
}: PlannedMoney): { at: string; amount: number; title: string | null; left: number }[] {
  let now = left;
  return (
    [
      ...comes.map(({ at, amount }) => ({ at, amount, title: null })),
      ...pays.map(({ at, amount, title }) => ({ at, amount: -amount, title })),
    ]
      // On one moment what comes in is there before anything is paid of it.
      .sort((a, b) => a.at.localeCompare(b.at) || b.amount - a.amount)
      .map((move) => ({ ...move, left: (now += move.amount) }))
  );
}

/** What is there over the days of a plan. */
export function moneyChart(
  money: PlannedMoney,
  {
    from,
    until,
    dayText,
    write,
  }: { from: string; until: string; dayText: (iso: string) => string; write: (minor: number) => string },
): Chart {
  const begin = Date.parse(from);
  const moves = balances(money);
  return {
    title: 'What is there for parts, after each pay day and each order',
    x: { name: 'Day', min: 0, write: (value) => dayText(new Date(begin + value * DAY).toISOString()) },
    y: { name: 'Money', min: 0, write },
    series: [
      {
        kind: 'line',
        name: 'there',
        stepped: true,
        points: [
          [0, money.left] as const,
          ...moves.map(({ at, left }) => [(Date.parse(at) - begin) / DAY, left] as const),
          [(Date.parse(until) - begin) / DAY, moves.at(-1)?.left ?? money.left] as const,
        ],
      },
    ],
  };
}
