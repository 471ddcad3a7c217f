import { describe, expect, it } from 'vitest';
import { dayIn, dayInWords, tellsDay } from './day.ts';

describe('a day', () => {
  // Half past three in the morning by UTC: the evening before on one coast, the afternoon on another.
  const at = new Date('2026-06-01T03:30:00.000Z');
  it.each([
    ['America/Los_Angeles', '2026-05-31'],
    ['Pacific/Auckland', '2026-06-01'],
    [null, '2026-06-01'],
  ])('in %s is %s', (zone, day) => expect(dayIn(zone, at)).toBe(day));
  it('is told in words, a moment by the clock of the shop', () => {
    expect(dayInWords('2026-05-31')).toBe('31 May 2026');
    expect([tellsDay('America/Los_Angeles')(at), tellsDay(null)(at.toISOString())]).toEqual([
      '31 May 2026',
      '1 Jun 2026',
    ]);
  });
});
