import { usualSystems } from '../close/index.ts';
import { refuse } from '../problem.ts';
import { usualMetalwork } from '../repair/index.ts';
import { keepsPanel } from '../verdict/index.ts';
import { carSteps } from './carSteps.ts';
import { inOrder } from './inOrder.ts';
import { acrossRepairs } from './acrossRepairs.ts';
import { orderSteps } from './orderSteps.ts';
import { repairSteps } from './repairSteps.ts';
import { jobDefaults, type JobInput, type JobStep, type OwnStep } from './types.ts';

const MOST_STEPS = 1000;

/**
 * What has to be done at this car, in which order, and why? Every repair becomes its steps with the
 * hours it was decided on, the car as a whole is made safe, measured and braced before it is cut,
 * inner sheets come before outer ones, and what a person has added stands where he put it.
 *
 * @param input body, repairs with their counted work (h), open finds, panels without a decision, own steps
 * @returns steps in an order in which they can be done; each names what it waits for and why
 * @throws Problem `cycle` naming the circle, where own steps wait for one another; `too-many`
 * Source: common practice, no published source (TRADE §7 to §12, T-12, T-15, T-19, T-20, T-33, T-44).
 * @example jobSteps({ body: bodyPlan('saloon'), repairs: [], finds: [], undecided: ['sill-l'] }).map(({ kind }) => kind) // → ['decide']
 */
export function jobSteps({
  body,
  repairs,
  parts = [],
  finds,
  undecided,
  own = [],
  held,
  paints = false,
  systems = usualSystems,
  metalwork = usualMetalwork,
  house = {},
}: JobInput): JobStep[] {
  const paces = { ...jobDefaults, ...house };
  const panelOf = new Map(body.panels.map((panel) => [panel.id, panel]));
  // A panel that the plan has lost since takes no part in rules about panels.
  const known = repairs.filter(({ panel }) => panelOf.has(panel));
  const opened = known.filter(({ choice }) => !keepsPanel(choice));
  const steps = [
    ...undecided
      .filter((id) => panelOf.has(id))
      .map((id) =>
        single(`decide ${id}`, {
          kind: 'decide',
          panel: id,
          title: `Decide what is done about ${panelOf.get(id)!.name}`,
          hours: paces.decide,
          path: `panels/${id}/verdict`,
        }),
      ),
    ...parts.flatMap(({ id, title, order }) =>
      orderSteps(id, { name: title, panel: null, repair: null, order, house: paces }),
    ),
    ...finds.map(({ id, panel, text }) =>
      single(`find ${id}`, {
        kind: 'find',
        panel,
        title: `See to what was found at ${panelOf.get(panel)?.name ?? panel}: ${text}`,
        hours: paces.find,
        path: 'walk',
      }),
    ),
    ...carSteps(
      opened.map(({ panel }) => panelOf.get(panel)!),
      opened,
      { house: paces, held },
    ),
    ...known.flatMap((repair) =>
      repairSteps(repair, panelOf.get(repair.panel)!, { body, house: paces, paints, systems, metalwork }),
    ),
  ];
  acrossRepairs(steps, known, body);
  withOwn(steps, own);
  if (steps.length > MOST_STEPS)
    refuse(
      'too-many',
      'repairs',
      `This makes ${steps.length} steps; a job of at most ${MOST_STEPS} is planned at once.`,
    );
  const names = new Set(steps.map(({ id }) => id));
  for (const step of steps) step.after = step.after.filter(({ id }) => names.has(id));
  return inOrder(steps);
}

/** Steps that a person has added, and what waits for them. */
function withOwn(steps: JobStep[], own: readonly OwnStep[]): void {
  for (const { id, title, hours, after, waits = false, dry = false } of own)
    steps.push({
      ...single(id, { kind: 'own', panel: null, title, hours, path: 'job' }),
      ...{ waits, dry },
      after: after.map((first) => ({ id: first, why: 'You have put it after this.' })),
    });
  const byId = new Map(steps.map((step) => [step.id, step]));
  for (const { id, before = [] } of own)
    for (const later of before) byId.get(later)?.after.push({ id, why: 'You have put this before it.' });
}

const single = (id: string, what: Pick<JobStep, 'kind' | 'panel' | 'title' | 'hours' | 'path'>): JobStep => ({
  id,
  repair: null,
  waits: false,
  after: [],
  dry: false,
  needs: [],
  share: 0,
  closes: [],
  ...what,
});
