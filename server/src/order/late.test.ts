import { describe, expect, it } from 'vitest';
import { whereIs } from '../stand-ins/carrier.ts';
import { isLate } from './view.ts';

const DAY = 86_400_000;
const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const now = Date.now();
/** Sent four days ago, promised for tomorrow: past the half of its way, at any hour of the day, the carrier knows of a delay. */
const [since, due] = [new Date(now - 4 * DAY).toISOString(), dayOf(now + DAY)];
/** A number whose parcel comes so many days after the one that was promised, or on it. */
const numberOf = (held: boolean): string =>
  Array.from({ length: 200 }, (_, i) => `N${i}`).find((number) => {
    const { expected } = whereIs(number, { since: new Date(since), due, now: new Date(now) });
    return dayOf(expected.getTime()) > due === held;
  })!;
const line = (over: object = {}) => ({ state: 'confirmed' as const, due, tracking: null, ...over });
const followed = (held: boolean) => ({ tracking: { number: numberOf(held), since } });

describe('a line that is on its way', () => {
  it('is late past its day, and as soon as its carrier says a later one', () => {
    expect(isLate(line(), dayOf(now))).toBe(false);
    expect(isLate(line(), dayOf(now + 3 * DAY))).toBe(true);
    expect(isLate(line(followed(false)), dayOf(now))).toBe(false);
    expect(isLate(line(followed(true)), dayOf(now))).toBe(true);
  });
  it('is never late without a day, nor once it is here', () => {
    expect(isLate(line({ due: null, ...followed(true) }), dayOf(now))).toBe(false);
    expect(isLate({ ...line(followed(true)), state: 'arrived' }, dayOf(now + 9 * DAY))).toBe(false);
  });
});
