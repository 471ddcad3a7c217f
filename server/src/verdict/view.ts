import type { DecisionStep, RepairView } from '@aspecta/contract/verdict';
import { areaOnSheet, panelOf, type BodyPlan } from '@aspecta/core/body';
import { isGone, isOver } from '@aspecta/core/order';
import type { OrderRow } from '../order/entities.ts';
import type { ZoneRow } from '../survey/entities.ts';
import type { RepairRow } from './entities.ts';
import { layersOf } from './named.ts';

/** A zone as it is decided on. */
export const asDecided = (plan: BodyPlan, zone: ZoneRow) => ({
  id: zone.id,
  version: zone.version,
  layer: zone.layer,
  area: onSheet(plan, zone),
});
const onSheet = (plan: BodyPlan, { panel, ring, holes }: ZoneRow): number =>
  areaOnSheet(panelOf(plan, panel), [ring, ...holes]);

/** The decision that stands, as it is kept when another one takes its place. */
export const stepOf = (row: RepairRow): DecisionStep => ({
  choice: row.choice,
  reason: row.reason,
  hours: row.hours,
  cost: row.cost,
  currency: row.currency,
  zoneIds: row.zones.map(({ id }) => id),
  area: areaOf(row),
  by: row.decidedBy,
  at: row.decidedAt.toISOString(),
});

/** mm² that were decided on; null in decisions that did not note it. */
const areaOf = ({ zones }: RepairRow): number | null =>
  zones.every((zone) => zone.area !== undefined) ? zones.reduce((sum, zone) => sum + zone.area!, 0) : null;

/** Zones of a repair that are not any more what was decided on: changed, taken away, or parted from others of it. */
export const staleOf = (row: Pick<RepairRow, 'zones'>, zones: readonly Pick<ZoneRow, 'id' | 'version'>[]): string[] =>
  row.zones.filter(({ id, version }) => zones.find((zone) => zone.id === id)?.version !== version).map(({ id }) => id);

export function repairView(
  row: RepairRow,
  plan: BodyPlan,
  zones: readonly ZoneRow[],
  orders: readonly OrderRow[],
): RepairView {
  const { by, at, ...now } = stepOf(row);
  const own = zones.filter((zone) => row.zones.some(({ id }) => id === zone.id));
  const lines = orders.filter(({ repairId }) => repairId === row.id);
  const order = lines.find(({ state }) => !isGone(state)) ?? lines.at(-1);
  return {
    ...now,
    id: row.id,
    panel: row.panel,
    layers: layersOf(row),
    proposed: row.proposed,
    done: Boolean(row.done),
    version: row.version,
    decidedBy: by,
    decidedAt: at,
    staleZones: staleOf(row, zones),
    areaNow: own.reduce((sum, zone) => sum + onSheet(plan, zone), 0),
    earlier: row.earlier ?? [],
    withdrawn: row.withdrawn,
    order: order ? { id: order.id, state: order.state, unneeded: isOver(order.state) ? null : order.unneeded } : null,
  };
}
