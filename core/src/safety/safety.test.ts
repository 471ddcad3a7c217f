import { describe, expect, it } from 'vitest';
import { cautionsFor, DEFERENCE } from './index.ts';

describe('cautions', () => {
  // Common practice, no published source: the hazards that bite when a body is welded.
  it('names fire, fuel, fumes, battery, eyes, stands and structure before welding', () => {
    expect(cautionsFor('weld').map((caution) => caution.id)).toEqual(
      expect.arrayContaining(['fire', 'fuel', 'fumes', 'battery', 'eyes', 'stands', 'structure']),
    );
  });
  it('asks for braces before cutting', () =>
    expect(cautionsFor('cut').map((caution) => caution.id)).toContain('brace'));
  it('never certifies', () => {
    const all = (['survey', 'strip', 'verdict', 'cut', 'weld', 'arrival'] as const).flatMap(cautionsFor);
    expect(all.map((caution) => `${caution.title} ${caution.text}`).join(' ')).not.toMatch(/\bis safe\b|\bpasses\b/i);
    expect(DEFERENCE).toMatch(/local code.*qualified person/);
  });
});
