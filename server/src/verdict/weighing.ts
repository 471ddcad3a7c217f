import {
  boughtSheet,
  hollowsAt,
  isSeen,
  layerOf,
  panelOf,
  pieceName,
  sheetOf,
  wayToSheet,
  type BodyPlan,
  type Panel,
} from '@aspecta/core/body';
import { cutPanelOf, lineAround } from '@aspecta/core/cut';
import {
  area,
  between,
  centroid,
  clipAll,
  inRing,
  offset,
  toRing,
  type Polygon,
  type Ring,
} from '@aspecta/core/geometry';
import {
  closedJoints,
  cutAndLeft,
  lowEdge,
  panelJoints,
  pieceJoints,
  spotsOf,
  usualMetalwork,
  type Metalwork,
  type Schools,
} from '@aspecta/core/repair';
import { compare, type House, type Rates, type Repair, type Verdict } from '@aspecta/core/verdict';
import { isNearMount, isRim, usualLimits, type Limits, type ZoneClass } from '@aspecta/core/survey';

/** mm of sound metal around the damage when a patch is weighed: the default of the cut. */
const MARGIN = 20;

/** What a decision rests on: the body, its damage, and what the shop pays and allows. */
export interface Weighing {
  plan: BodyPlan;
  panelId: string;
  zones: readonly { class: ZoneClass; layer: string; ring: Ring; holes: readonly Ring[] }[];
  offer: { landed: number; leadDays: number } | null;
  rates: Rates;
  /** How the shop closes joints. */
  schools: Schools;
  house: Partial<House>;
  /** How it works on metal; as is usual where it is left out. */
  metalwork?: Metalwork;
}

/** Counts a repair on a panel and compares its options. */
export function weighRepair({
  plan,
  panelId,
  zones: damage,
  offer,
  rates,
  schools,
  house,
  metalwork = usualMetalwork,
}: Weighing): Verdict {
  const panel = panelOf(plan, panelId);
  const layers = [...new Set(damage.map((zone) => zone.layer))];
  const { cut: zones, left } = cutAndLeft(damage, metalwork.cutBack, (zone) =>
    isNearMount(panel, zone.ring, { ...usualLimits, ...house }),
  );
  const visible = isSeen(panel, layers);
  const how = { visible, schools };
  const layer = layerOf(panel, boughtSheet(panel, layers) ?? damage[0]!.layer);
  const joints = closedJoints(panelJoints(plan, panel, layer.id), how);
  const hollow = hollowsAt(plan, { panel: panelId, layers }).length > 0;
  const groups = groupsOf(zones).map((group) => countedGroup(group, plan, panel, how));
  const repair: Repair = {
    panel: {
      name: pieceName(panel, layers),
      area: area(sheetOf(panel)),
      jointLength: joints.reduce((sum, { length }) => sum + length, 0),
      spotWelds: spotsOf(joints),
      joints,
      bolted: panel.fixing === 'bolted',
      thickness: layer.thickness,
      material: layer.material,
      curvature: panel.curvature,
      structural: panel.structural,
      visible,
    },
    zones: groups.map(({ lowEdge: _low, ...group }) => group),
    left: left.length > 0 ? onSheetOf(left, panel).area : 0,
    metalwork,
    ...(hollow
      ? { lowEdge: { patch: groups.reduce((sum, group) => sum + group.lowEdge, 0), whole: lowEdge(panel, joints) } }
      : {}),
    way: wayToSheet(panel, layers),
    closing: visible ? schools.seen : schools.hidden,
    layers: layers.length,
    offer,
  };
  return compare({ repair, rates, house });
}

/**
 * Zones that one patch takes out, as one: those on the same layer whose patches would meet.
 * Areas that overlap count once, and two patches that would run into each other are one line.
 */
export function groupsOf<Z extends Weighing['zones'][number]>(zones: readonly Z[]): (readonly Z[])[] {
  const grown = zones.map((zone) => offset([[zone.ring]], isRim(zone.class) ? 0 : MARGIN).polygons);
  const group = zones.map((_, i) => i);
  const rootOf = (i: number): number => (group[i] === i ? i : rootOf(group[i]!));
  zones.forEach((zone, i) => {
    for (let k = 0; k < i; k++)
      if (zones[k]!.layer === zone.layer && clipAll('intersection', grown[i]!, grown[k]!).area > 0)
        group[rootOf(i)] = rootOf(k);
  });
  return zones.flatMap((_, i) => (rootOf(i) === i ? [zones.filter((__, k) => rootOf(k) === i)] : []));
}

/** One repair for each patch; what stays beside it and is treated goes with the patch that is nearest. */
export function repairsOf<Z extends Weighing['zones'][number]>(
  zones: readonly Z[],
  { panel, limits, metalwork }: { panel: Panel; limits: Limits; metalwork: Metalwork },
): (readonly Z[])[] {
  const { cut, left } = cutAndLeft(zones, metalwork.cutBack, ({ ring }) => isNearMount(panel, ring, limits));
  const groups = groupsOf(cut).map((group) => [...group]);
  for (const zone of left) {
    const far = (group: readonly Z[]) =>
      Math.min(...group.map(({ ring }) => between(centroid(ring), centroid(zone.ring))));
    const onIt = groups.filter(([first]) => first!.layer === zone.layer);
    const near = (onIt.length > 0 ? onIt : groups).reduce((a, b) => (far(b) < far(a) ? b : a));
    near.push(zone);
  }
  return groups;
}

/** Damage that is worse stands before what is better. */
const WORST_FIRST: readonly ZoneClass[] = [
  'through',
  'missing',
  'old-repair',
  'thin',
  'pitted',
  'filler',
  'dent',
  'hole',
  'graft',
  'clearance',
  'opening',
];

/** What of these zones lies on the sheet, each place once. */
function onSheetOf(zones: readonly Pick<Weighing['zones'][number], 'ring' | 'holes'>[], panel: Panel) {
  const damage = clipAll(
    'union',
    zones.map((zone): Polygon => [zone.ring, ...zone.holes]),
    [],
  );
  return clipAll('intersection', damage.polygons, [sheetOf(panel)]);
}

/** What a group counts up to: its area on the sheet and the patch that takes it out. */
function countedGroup(
  group: readonly Weighing['zones'][number][],
  plan: BodyPlan,
  panel: Panel,
  how: { visible: boolean; schools: Schools },
): Repair['zones'][number] & { lowEdge: number } {
  const onSheet = onSheetOf(group, panel);
  const line = lineAround({
    panel: cutPanelOf(plan, panel, group[0]!.layer),
    zones: group,
    margin: MARGIN,
  });
  const edges = closedJoints(pieceJoints(plan, panel, line.outline, group[0]!.layer), how).filter(
    ({ kind }) => kind !== 'cut',
  );
  const distances = panel.mounts.flatMap((mount) =>
    group.map((zone) => (inRing(mount.at, zone.ring) ? 0 : toRing(mount.at, zone.ring))),
  );
  return {
    class: WORST_FIRST.find((worst) => group.some((zone) => zone.class === worst)) ?? group[0]!.class,
    area: Math.max(onSheet.area, 1),
    patchPerimeter: line.cutLength,
    patchUnseen: line.unseen,
    patchArea: line.area,
    joints: edges,
    lowEdge: lowEdge(panel, edges),
    toMount: distances.length === 0 ? null : Math.min(...distances),
  };
}
