import { panelsUnder } from './onePiece.ts';
import type { BodyPlan, Panel } from './types.ts';

/**
 * Do two panels lie at each other: by a seam, a hollow that both shut, or a joint that the plan names? One piece has
 * the joints of all panels whose place it takes.
 *
 * @example meet(bodyPlan('saloon'), 'inner-wing-l', 'slam-panel') // → true
 */
export function meet(plan: BodyPlan, a: string, b: string): boolean {
  return joints(plan).some((sides) => {
    const at = (id: string) => panelsUnder(plan, id).some((own) => sides.includes(own));
    return at(a) && at(b);
  });
}

/** Panels that are joined at one place each, by id. */
const joints = (plan: BodyPlan): readonly (readonly string[])[] => [
  ...plan.seams.map(({ sides }) => sides.map(({ panel }) => panel)),
  ...plan.cavities.map(({ walls }) => walls.map(({ panel }) => panel)),
  ...(plan.meetings ?? []).filter(({ gap }) => !gap).map(({ panels }) => panels),
];

/**
 * What hangs beside a panel across a gap that shows, or is bolted to it: doors, lids, wings. They are put in place when
 * a piece of it is tried, for their gaps are what one looks at.
 *
 * @returns the panels in the order of the plan; the panel itself is not among them
 * @example triedWith(bodyPlan('saloon'), 'slam-panel').map(({ id }) => id) // → ['bonnet']
 */
export function triedWith(plan: BodyPlan, id: string): Panel[] {
  const own = panelsUnder(plan, id);
  const bolted = new Set(plan.panels.filter(({ fixing }) => fixing === 'bolted').map((panel) => panel.id));
  const beside = (plan.meetings ?? []).flatMap(({ panels: [a, b], gap }) =>
    [
      [a, b],
      [b, a],
    ].flatMap(([at, other]) =>
      own.includes(at!) && !own.includes(other!) && (gap || bolted.has(other!)) ? [other!] : [],
    ),
  );
  return plan.panels.filter((panel) => beside.includes(panel.id));
}
