import jstat from 'jstat';
import { describe, expect, it } from 'vitest';
import { latest } from './index.ts';

describe('by when it must be ordered', () => {
  it('is the quote itself at even chances, before anything is known of the supplier', () => {
    expect(latest({ neededOn: 100, quoted: 10, history: [], confidence: 0.5 })).toMatchObject({ orderBy: 90 });
  });
  it('is the predictive quantile in closed form: Student’s t around the mean of the logs (Gelman et al., §3.3)', () => {
    const history = [10, 12, 15, 30].map((actual) => ({ quoted: 10, actual }));
    const logs = history.map(({ quoted, actual }) => Math.log(actual / quoted));
    const mean = logs.reduce((sum, x) => sum + x, 0) / 4;
    const [kappa, alpha] = [2 + 4, 1 + 2];
    const beta =
      0.35 ** 2 + logs.reduce((sum, x) => sum + (x - mean) ** 2, 0) / 2 + (2 * 4 * mean * mean) / (2 * kappa);
    const scale = Math.sqrt((beta * (kappa + 1)) / (alpha * kappa));
    const at = (p: number) => 14 * Math.exp((4 * mean) / kappa + jstat.studentt.inv(p, 2 * alpha) * scale);
    const found = latest({ neededOn: 200, quoted: 14, history, confidence: 0.8 });
    expect(found.lead.p50).toBeCloseTo(at(0.5), 9);
    expect(found.lead.p90).toBeCloseTo(at(0.9), 9);
    expect(found.orderBy).toBeCloseTo(200 - at(0.8), 9);
  });
  it('is a date where a date was asked, and earlier for a supplier who is always late', () => {
    const history = Array.from({ length: 12 }, () => ({ quoted: 10, actual: 30 }));
    const sure = { neededOn: '2026-05-31', quoted: 10, confidence: 0.9 };
    const [known, unknown] = [history, []].map((past) => latest({ ...sure, history: past }).orderBy as string);
    expect(known).toMatch(/^2026-0[45]-\d\d$/);
    expect(known! < unknown!).toBe(true);
  });
  it.each([
    [{ neededOn: 'soon' }, 'neededOn'],
    [{ quoted: -1 }, 'quoted'],
    [{ confidence: 1 }, 'confidence'],
    [{ history: [{ quoted: 0, actual: 3 }] }, 'history[0].quoted'],
  ])('%j is refused at its field', (over, field) => {
    expect(() => latest({ neededOn: 10, quoted: 3, history: [], confidence: 0.5, ...over })).toThrowError(
      expect.objectContaining({ field }),
    );
  });
});
