import { describe, expect, it } from 'vitest';
import { FORECAST_HOURS, drySpells, weather, wetSpells } from './weather.ts';

const from = new Date('2026-03-04T17:20:00Z');

describe('the made-up weather', () => {
  it('is the same for the same hour, whoever asks when', () => {
    const hours = weather(from, 100);
    const later = weather(new Date(hours[30]!.at.getTime() + 60_000), 10);
    expect(later).toEqual(hours.slice(30, 40));
  });
  it('stays within what a year brings: warmer in summer, damp when it rains, rain on some days', () => {
    const year = weather(new Date('2026-01-01T00:00:00Z'), 8760);
    const mean = (rows: typeof year) => rows.reduce((sum, { celsius }) => sum + celsius, 0) / rows.length;
    const month = (n: number) => year.filter(({ at }) => at.getUTCMonth() === n);
    expect(mean(month(6)) - mean(month(0))).toBeGreaterThan(12);
    for (const { celsius, humidity, rain } of year) {
      expect(celsius).toBeGreaterThan(-20);
      expect(celsius).toBeLessThan(40);
      expect(humidity).toBeGreaterThan(20);
      expect(humidity).toBeLessThanOrEqual(100);
      if (rain > 0) expect(humidity).toBeGreaterThan(85);
    }
    const wet = year.filter(({ rain }) => rain > 0).length / year.length;
    expect(wet).toBeGreaterThan(0.03);
    expect(wet).toBeLessThan(0.2);
  });
  it('is wet or dry at every moment of the forecast, never both, and dry where nobody knows', () => {
    const spells = [...wetSpells(from), ...drySpells(from, 1000)].sort((a, b) => a[0] - b[0]);
    expect(spells[0]![0]).toBe(0);
    for (let i = 1; i < spells.length; i++) expect(spells[i]![0]).toBeCloseTo(spells[i - 1]![1], 9);
    expect(spells.at(-1)![1]).toBe(1000);
    expect(wetSpells(from).every(([, end]) => end <= FORECAST_HOURS)).toBe(true);
  });
});
