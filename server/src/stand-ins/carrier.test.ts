import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { whereIs } from './carrier.ts';

const since = new Date('2026-05-04T09:00:00Z');
const at = (days: number) => new Date(since.getTime() + days * 86_400_000);
const ask = (number: string, days: number, due: string | null = '2026-05-08') =>
  whereIs(number, { since, due, now: at(days) });

describe('the carrier', () => {
  it('moves on by itself and never back, whatever the number and whenever one asks', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 30 }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (number, days) => {
          const [now, later] = [ask(number, days), ask(number, days + 0.7)];
          expect(later.steps.slice(0, now.steps.length)).toEqual(now.steps);
          const times = later.steps.map((step) => step.at);
          expect(times).toEqual([...times].sort());
          expect(now.handedOver).toBe(now.steps.at(-1)!.text === 'Handed over');
          if (now.handedOver) expect(later).toEqual(now);
        },
      ),
    );
  });
  it('hands every parcel over within a week of its day, most of them on it', () => {
    const days = Array.from({ length: 400 }, (_, i) => ask(`P${i}`, 30).expected.toISOString().slice(0, 10));
    expect([...new Set(days)].sort().at(0)).toBe('2026-05-08');
    expect(days.every((day) => day <= '2026-05-13')).toBe(true);
    const kept = days.filter((day) => day === '2026-05-08').length / days.length;
    expect(kept).toBeGreaterThan(0.55);
    expect(kept).toBeLessThan(0.75);
  });
  it('says a delay only once it is known, and comes without a promise within a week', () => {
    const late = Array.from({ length: 60 }, (_, i) => `L${i}`).find(
      (n) => ask(n, 30).expected > new Date('2026-05-09'),
    )!;
    expect(ask(late, 0).expected.toISOString()).toContain('2026-05-08');
    expect(ask(late, 6).steps.map(({ text }) => text)).toContain('Held up on the way');
    expect(ask('any', 15, null).handedOver).toBe(true);
  });
});
