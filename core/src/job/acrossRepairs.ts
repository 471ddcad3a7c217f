import { liesBehind, meet, pieceName, type BodyPlan, type Panel } from '../body/index.ts';
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
      if (inner.panel === outer.panel && liesBehind(a, inner.layers ?? [], outer.layers ?? []))
        layered(pieceName(a, inner.layers ?? []), pieceName(a, outer.layers ?? []), {
          inner: (kind) => stepOf(inner, kind),
          outer: (kind) => stepOf(outer, kind),
        });
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

/** Two sheets of one panel: the outer one is opened before the inner one is reached, and closed again after it. */
function layered(
  behind: string,
  before: string,
  { inner, outer }: Record<'inner' | 'outer', (kind: string) => JobStep | undefined>,
): void {
  const opened = outer('look') ?? outer('open');
  for (const step of [inner('strip'), inner('open')])
    if (step && opened) step.after.push({ id: opened.id, why: `${before} lies before it: that is open first.` });
  const fit = outer('fit') ?? outer('weld');
  const weld = inner('weld');
  if (fit && weld) fit.after.push({ id: weld.id, why: `${behind} lies behind it and locates it: it is welded first.` });
  // The hollow between them is shut by the one that is welded last.
  if (weld) weld.closes = weld.closes.filter((hollow) => !outer('weld')?.closes.includes(hollow));
  const coated = outer('behind');
  if (coated && weld)
    coated.after.push({ id: weld.id, why: `What burns when ${behind} is welded is coated after it.` });
}
