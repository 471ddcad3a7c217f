import { describe, expect, it } from 'vitest';
import { bodyPlans, otherSideOf, panelOf } from './index.ts';

describe('the other side of the car', () => {
  it.each(bodyPlans().map((plan) => [plan.id, plan] as const))(
    'of the %s: every outline, mount and hole mirrored lies on that of the other panel, there and back',
    (_, plan) => {
      const pairs = plan.panels.flatMap((panel) => {
        const other = otherSideOf(plan, panel);
        return other ? [{ panel, other }] : [];
      });
      expect(pairs.length).toBeGreaterThan(6);
      const near = (a: readonly (readonly [number, number])[], [u, v]: readonly [number, number]) =>
        Math.min(...a.map((p) => Math.hypot(p[0] - u, p[1] - v)));
      for (const { panel, other } of pairs) {
        for (const at of panel.outline) expect(near(other.panel.outline, other.mirror(at))).toBeLessThan(0.01);
        for (const { at } of panel.mounts)
          expect(
            near(
              other.panel.mounts.map((mount) => mount.at),
              other.mirror(at),
            ),
          ).toBeLessThan(0.01);
        const back = otherSideOf(plan, other.panel)!;
        expect(back.panel.id).toBe(panel.id);
        expect(back.mirror(other.mirror([10, 20])).map((x) => Math.round(x * 100) / 100)).toEqual([10, 20]);
      }
    },
  );

  it('is none for a panel in the middle', () => {
    const plan = bodyPlans()[0]!;
    expect(otherSideOf(plan, panelOf(plan, 'roof'))).toBeNull();
  });
});
