import { describe, expect, it } from 'vitest';
import { signIn } from '../testing/fakeServer.ts';
import { dayOf, daysText, timeOf, today } from './days.ts';
import { useSession } from './session.ts';

const shopIn = (timeZone: string | null) => {
  signIn('owner');
  useSession().setShop({ ...useSession().current!.shop, timeZone });
};

describe('days', () => {
  it('of the calendar are the same wherever the shop is', () => {
    for (const zone of ['America/Los_Angeles', 'Pacific/Auckland', null]) {
      shopIn(zone);
      expect(dayOf('2026-05-31')).toBe('31 May 2026');
    }
  });
  it('of a moment are those of the shop', () => {
    const late = '2026-06-01T03:30:00.000Z';
    shopIn('America/Los_Angeles');
    expect([dayOf(late), timeOf(late), today(new Date(late))]).toEqual(['31 May 2026', '31 May, 20:30', '2026-05-31']);
    shopIn('Pacific/Auckland');
    expect([dayOf(late), timeOf(late), today(new Date(late))]).toEqual(['1 Jun 2026', '1 Jun, 15:30', '2026-06-01']);
  });
  it('are counted in words', () =>
    expect([1, 1.2, 0, 7.6].map(daysText)).toEqual(['1 day', '1 day', '0 days', '8 days']));
});
