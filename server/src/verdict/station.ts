import { In, IsNull } from 'typeorm';
import { OPTION_WORDS } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import type { LiveItem, Station, StationStanding } from '../station.ts';
import { URGENCY } from '../board/urgency.ts';
import { GarageService } from '../garage/service.ts';
import { OrderService } from '../order/service.ts';
import { PaceService } from '../pace/service.ts';
import { ShopService } from '../shop/service.ts';
import { ZoneEntity } from '../survey/entities.ts';
import { ZoneService } from '../survey/zones.ts';
import { OfferEntity, RepairEntity } from './entities.ts';
import { OfferService } from './offers.ts';
import { verdictRoutes } from './routes.ts';
import { VerdictService } from './service.ts';
import { staleOf } from './view.ts';

/** Treat, patch, part, whole panel or make: weighed, and decided by a person. */
export const verdict: Station = {
  name: 'verdict',
  entities: [OfferEntity, RepairEntity],
  serve: (house) => {
    const offers = new OfferService(house.db, house.the(ShopService));
    return [
      offers,
      new VerdictService(house.db, {
        offers,
        garage: house.the(GarageService),
        zones: house.the(ZoneService),
        shops: house.the(ShopService),
        paces: house.the(PaceService),
        orders: house.the(OrderService),
        bench: house.bench,
      }),
    ];
  },
  addresses: (house) => [
    { router: verdictRoutes(house.the(VerdictService), house.the(OfferService), house.the(GarageService)) },
  ],
  standing: async ({ db }, vehicles) => {
    const ids = In(vehicles.map(({ id }) => id));
    const [zones, repairs] = await Promise.all([
      db.getRepository(ZoneEntity).find({
        where: { vehicleId: ids, deletedAt: IsNull() },
        select: { id: true, vehicleId: true, panel: true, version: true },
      }),
      db.getRepository(RepairEntity).find({
        where: { vehicleId: ids, deletedAt: IsNull() },
        select: { id: true, vehicleId: true, panel: true, zones: true, done: true },
      }),
    ]);
    return new Map(
      vehicles.map(({ id, plan }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        const decided = new Set(own.flatMap((repair) => repair.zones.map((zone) => zone.id)));
        const open = zones.filter((zone) => zone.vehicleId === id && !decided.has(zone.id));
        const stale = own.filter((repair) => staleOf(repair, zones).length > 0);
        const panel = (open[0] ?? stale[0] ?? own.at(-1))?.panel;
        const here = new Set(
          own.map((repair) => repair.panel).filter((name) => plan.panels.some((p) => p.id === name)),
        );
        return [
          id,
          {
            word:
              open.length > 0
                ? `${open.length} to decide`
                : stale.length > 0
                  ? `${stale.length} to decide again`
                  : own.length > 0
                    ? `${own.length} decided`
                    : 'no damage drawn',
            waits: open.length + stale.length > 0,
            done: own.length > 0 && open.length + stale.length === 0,
            path: panel && `panels/${panel}/verdict`,
            figures: { decided: here.size },
            next: stale[0]
              ? {
                  text: `Decide again on ${panelOf(plan, stale[0].panel).name}: its damage is not what was decided on`,
                  path: `panels/${stale[0].panel}/verdict?repair=${stale[0].id}`,
                  urgency: URGENCY.decideAgain,
                }
              : open[0] && {
                  text: `Decide on ${panelOf(plan, open[0].panel).name}: a damage zone waits for a verdict`,
                  path: `panels/${open[0].panel}/verdict`,
                  urgency: URGENCY.decide,
                },
          },
        ];
      }),
    );
  },
  live: async (house, vehicle) =>
    (await house.the(VerdictService).told(vehicle)).map((repair): LiveItem => ({
      into: 'repairs',
      id: repair.id,
      state: `v${repair.version} ${repair.order?.state} ${repair.order?.unneeded !== null} ${repair.staleZones.length} ${repair.areaNow}`,
      view: () => repair,
    })),
  report: async (house, vehicle, reader) => {
    const rows = await house.the(VerdictService).ofVehicle(vehicle.id);
    if (rows.length === 0) return [];
    const lines = rows.map(
      (row) =>
        // Why is between the shop and itself.
        `${panelOf(vehicle.plan, row.panel).name}: ${OPTION_WORDS[row.choice].decided}${row.done ? ', done' : ''}${reader === 'customer' ? '' : `. ${row.reason}`}`,
    );
    return [{ title: 'What has been decided', lines }];
  },
};
