import type { WholeView } from '@aspecta/contract/whole';
import type { CarPlan } from '@aspecta/core/verdict';
import type { Chart } from '../charts/chart.ts';

/** Every plan that no other beats, money over hours, the present one among them. */
export function plansChart(
  { plans, now }: Pick<WholeView, 'plans' | 'now'>,
  chosen: CarPlan | null,
  money: (minor: number) => string,
): Chart {
  const at = ({ hours, money: paid }: CarPlan) => [hours, paid / 100] as const;
  return {
    title: 'Hours and money of every plan that no other beats in both',
    x: { name: 'Hours of work', unit: 'h' },
    y: { name: 'Paid out', min: 0, write: (value) => money(Math.round(value * 100)) },
    series: [
      { kind: 'line', name: 'plans', colour: 'ink-soft', points: plans.map(at), stepped: true },
      { kind: 'points', name: 'plans', points: plans.map(at) },
      ...(now ? [{ kind: 'points' as const, name: 'as decided', colour: 'alarm' as const, points: [at(now)] }] : []),
      ...(chosen ? [{ kind: 'points' as const, name: 'chosen', colour: 'good' as const, points: [at(chosen)] }] : []),
    ],
  };
}

/** Two plans are the same where they choose the same for every repair. */
export const isSame = (a: CarPlan | null, b: CarPlan | null): boolean =>
  a !== null && b !== null && Object.keys(a.choice).every((id) => a.choice[id] === b.choice[id]);

/** What a plan means beside the one that stands, in one sentence. */
export function besideNow(
  plan: CarPlan,
  now: CarPlan,
  say: { hours: (h: number) => string; money: (m: number) => string },
): string {
  const hours = plan.hours - now.hours;
  const money = plan.money - now.money;
  const time =
    Math.abs(hours) < 0.05 ? 'the same work' : `${say.hours(Math.abs(hours))} ${hours < 0 ? 'less' : 'more'} work`;
  const paid =
    Math.abs(money) < 50 ? 'for the same money' : `for ${say.money(Math.abs(money))} ${money < 0 ? 'less' : 'more'}`;
  return `${time}, ${paid}`;
}
