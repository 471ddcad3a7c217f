import { isCutIn } from '@aspecta/core/verdict';
import type { BoardPanel } from '@aspecta/contract/board';
import type { NextStep } from '@aspecta/contract/garage';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import type { OrderRow } from '../order/entities.ts';
import { isLate } from '../order/service.ts';
import type { ZoneRow } from '../survey/entities.ts';
import type { RepairRow } from '../verdict/entities.ts';

interface Situation {
  plan: BodyPlan;
  panels: readonly Pick<BoardPanel, 'panel' | 'readings'>[];
  zones: readonly Pick<ZoneRow, 'id' | 'panel'>[];
  repairs: readonly Pick<RepairRow, 'id' | 'panel' | 'zones' | 'choice' | 'done'>[];
  orders: readonly OrderRow[];
}

/** Panels that rust first on nearly every car: sills, their ends and the floor; common practice, no published source. */
const RUSTS_FIRST = [
  'sill-l',
  'sill-r',
  'floor-front-l',
  'floor-front-r',
  'quarter-l',
  'quarter-r',
  'wing-l',
  'wing-r',
];

/** The one thing that helps most now: what holds others up comes first. */
export function nextStep({ plan, panels, zones, repairs, orders }: Situation): NextStep {
  const name = (id: string) => panelOf(plan, id).name;
  const late = orders.find(isLate);
  const wanted = orders.find((order) => order.state === 'wanted');
  const arrived = orders.find((order) => order.state === 'arrived');
  const open = repairs.find((repair) => isCutIn(repair.choice) && !repair.done);
  const undecided = zones.find((zone) => !repairs.some((repair) => repair.zones.some(({ id }) => id === zone.id)));
  const unmeasured =
    RUSTS_FIRST.find((id) => panels.find((panel) => panel.panel === id)?.readings === 0) ??
    panels.find((panel) => panel.readings === 0)?.panel;
  if (panels.every((panel) => panel.readings === 0))
    return {
      text: `Take the first readings on ${name(unmeasured ?? plan.panels[0]!.id)}: it rusts first`,
      path: `panels/${unmeasured ?? plan.panels[0]!.id}`,
    };
  if (arrived)
    return { text: `Check ${name(arrived.panel)} that has arrived, before anything is cut`, path: '../../orders' };
  if (wanted) return { text: `Order ${name(wanted.panel)}: the rest can go on meanwhile`, path: '../../orders' };
  if (undecided)
    return {
      text: `Decide on ${name(undecided.panel)}: a damage zone waits for a verdict`,
      path: `panels/${undecided.panel}/verdict`,
    };
  if (open) return { text: `Go on with the patch in ${name(open.panel)}`, path: `repairs/${open.id}/weld` };
  if (late) return { text: `Ask ${late.maker} about ${name(late.panel)}: it is late`, path: '../../orders' };
  if (unmeasured)
    return { text: `Measure ${name(unmeasured)}: nothing is known of it yet`, path: `panels/${unmeasured}` };
  return { text: 'Everything measured is decided; look over the Board once more', path: '' };
}
