import { describe, expect, it } from 'vitest';
import { bodyPlans, isSeen, liesBehind, pieceName, wayToSheet } from './index.ts';

const panels = bodyPlans().flatMap(({ panels }) => panels);
const several = panels.filter(({ layers }) => layers.length > 1);

describe('sheets of a panel on one another', () => {
  it('the outermost bears the name of the panel and is seen where the panel is; those behind are neither', () => {
    expect(several.length).toBeGreaterThan(8);
    for (const panel of several) {
      const [outer, ...inner] = panel.layers.map(({ id }) => id) as [string, ...string[]];
      expect(pieceName(panel, [outer])).toBe(panel.name);
      expect(isSeen(panel, [outer])).toBe(panel.visible);
      expect(wayToSheet(panel, [outer])).toEqual({ from: 'outside', through: [] });
      inner.forEach((id, i) => {
        expect(pieceName(panel, [id])).toBe(`${panel.name}, ${panel.layers[i + 1]!.name.toLowerCase()}`);
        expect(isSeen(panel, [id])).toBe(false);
        // Through as many sheets as lie in the way from the nearer side: none before the one that turns its back to the cabin.
        const behind = panel.layers.length - 2 - i;
        const { from, through } = wayToSheet(panel, [id]);
        expect(through).toHaveLength(Math.min(i + 1, behind));
        expect(from).toBe(behind < i + 1 ? 'inside' : 'outside');
        expect([liesBehind(panel, [id], [outer]), liesBehind(panel, [outer], [id])]).toEqual([true, false]);
        // A piece that takes in the outermost sheet is the panel's own.
        expect(pieceName(panel, [id, outer])).toBe(panel.name);
        expect(liesBehind(panel, [id, outer], [outer])).toBe(false);
      });
    }
  });

  it('nothing known, and a layer that is none, mean the panel itself', () => {
    for (const panel of panels)
      for (const own of [[], ['nothing']])
        expect([pieceName(panel, own), isSeen(panel, own), wayToSheet(panel, own)]).toEqual([
          panel.name,
          panel.visible,
          { from: 'outside', through: [] },
        ]);
  });
});
