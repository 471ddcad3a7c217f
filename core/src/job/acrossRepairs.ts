import { meet, type BodyPlan, type Panel } from '../body/index.ts';
import { keepsPanel } from '../verdict/index.ts';
import type { JobRepair, JobStep } from './types.ts';

/** How far inside a panel lies: what is inside is done first. */
const depth = ({ view, structural, visible }: Panel): number =>
  view === 'inner' ? 0 : structural && !visible ? 1 : structural ? 2 : 3;

/** What one repair waits for in another: the sheet behind it, and the side of the car that teaches how it is done. */
export function acrossRepairs(steps: readonly JobStep[], repairs: readonly JobRepair[], body: BodyPlan): void {
  const panels = new Map(body.panels.map((panel) => [panel.id, panel]));
  const stepOf = (repair: JobRepair, kind: string) => steps.find(({ id }) => id === `${repair.id} ${kind}`);
  const opened = repairs.filter(({ choice }) => !keepsPanel(choice));
  opened.forEach((outer, i) =>
    opened.forEach((inner, k) => {
      if (i === k) return;
      const [a, b] = [panels.get(inner.panel)!, panels.get(outer.panel)!];
      if (inner.panel !== outer.panel && depth(a) < depth(b) && meet(body, a.id, b.id)) {
        const fit = stepOf(outer, 'fit') ?? stepOf(outer, 'weld');
        const weld = stepOf(inner, 'weld');
        if (fit && weld)
          fit.after.push({ id: weld.id, why: `${a.name} lies behind it and locates it: it is welded first.` });
      }
      // The same work on the other side: the first one teaches the second, its figures are mirrored.
      if (i > k && b.mirrorOf?.panel === a.id && inner.choice === outer.choice) {
        const [make, weld] = [stepOf(outer, 'make') ?? stepOf(outer, 'fit'), stepOf(inner, 'weld')];
        if (make && weld)
          make.after.push({
            id: weld.id,
            why: `The other side (${a.name}) is done first: its figures are mirrored and tried.`,
          });
      }
    }),
  );
}
