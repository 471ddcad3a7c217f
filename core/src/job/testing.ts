import { sheetOf, type BodyPlan, type Panel } from '../body/index.ts';
import { area } from '../geometry/index.ts';
import { closedJoints, meanHours, panelJoints, spotsOf } from '../repair/index.ts';
import { elementsOf, type OptionId } from '../verdict/index.ts';
import type { JobRepair } from './types.ts';

/* A repair for the tests of the job. */
/** The counted work of an option on a panel with damage over a tenth of it. */
export function workOn(plan: BodyPlan, panel: Panel, choice: OptionId) {
  const joints = closedJoints(panelJoints(plan, panel), { visible: panel.visible });
  const size = area(sheetOf(panel));
  const zone = { class: 'through' as const, area: size / 10, patchPerimeter: 400, patchArea: size / 8, toMount: null };
  return elementsOf(choice, {
    panel: {
      ...panel,
      area: size,
      jointLength: joints.reduce((sum, { length }) => sum + length, 0),
      spotWelds: spotsOf(joints),
      joints,
      bolted: panel.fixing === 'bolted',
      thickness: 0.9,
      material: panel.layers[0]!.material,
    },
    zones: [{ ...zone, joints: joints.slice(0, 2) }],
    offer: null,
  }).map((element) => ({ name: element.name, hours: meanHours([element]) }));
}
/** A repair that was decided on a panel, with the work that is counted for it. */
export function repairOn(plan: BodyPlan, panel: Panel, choice: OptionId, over: Partial<JobRepair> = {}): JobRepair {
  const work = workOn(plan, panel, choice);
  const counted = work.reduce((sum, { hours }) => sum + hours, 0);
  const order = choice === 'whole' || choice === 'part' ? { state: 'wanted' as const, leadHours: 240 } : null;
  const base = { id: `${panel.id} ${choice}`, panel: panel.id, choice, done: false, opened: null, welded: null };
  return { ...base, hours: counted * 1.2, work, order, ...over };
}
