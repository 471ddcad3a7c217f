import { panelJoints, panelOf, sheetOf, type BodyPlan, type Panel } from '@aspecta/core/body';
import { cutLine, cutPanelOf } from '@aspecta/core/cut';
import { clip, area, inRing, toRing, type Ring } from '@aspecta/core/geometry';
import { compare, type House, type Rates, type Repair, type Verdict } from '@aspecta/core/verdict';
import type { ZoneClass } from '@aspecta/core/survey';

/** mm of sound metal around the damage when a patch is weighed: the default of the cut. */
const MARGIN = 20;

/** What a decision rests on: the body, its damage, and what the shop pays and allows. */
export interface Weighing {
  plan: BodyPlan;
  panelId: string;
  zones: readonly { class: ZoneClass; ring: Ring; holes: readonly Ring[] }[];
  offer: { landed: number; leadDays: number } | null;
  rates: Rates;
  house: Partial<House>;
}

/** Counts a repair on a panel and compares its options. */
export function weighRepair({ plan, panelId, zones, offer, rates, house }: Weighing): Verdict {
  const panel = panelOf(plan, panelId);
  const joints = panelJoints(plan, panel);
  const repair: Repair = {
    panel: {
      name: panel.name,
      area: area(sheetOf(panel)),
      jointLength: joints.length,
      spotWelds: joints.spots,
      bolted: panel.fixing === 'bolted',
      thickness: panel.layers[0]!.thickness,
      curvature: panel.curvature,
      structural: panel.structural,
      visible: panel.visible,
    },
    zones: zones.map((zone) => countedZone(zone, plan, panel)),
    offer,
  };
  return compare({ repair, rates, house });
}

/** What a zone counts up to: its area on the sheet and the patch that takes it out. */
function countedZone(zone: Weighing['zones'][number], plan: BodyPlan, panel: Panel): Repair['zones'][number] {
  const sheet = sheetOf(panel);
  const onSheet = clip('intersection', [zone.ring, ...zone.holes], sheet);
  const line = cutLine({
    panel: cutPanelOf(plan, panel),
    damage: [zone.ring],
    margin: MARGIN,
  });
  const distances = panel.mounts.map((mount) => (inRing(mount.at, zone.ring) ? 0 : toRing(mount.at, zone.ring)));
  return {
    class: zone.class,
    area: Math.max(onSheet.area, 1),
    patchPerimeter: line.cutLength,
    patchArea: line.area,
    toMount: distances.length === 0 ? null : Math.min(...distances),
  };
}
