import { In, type DataSource } from 'typeorm';
import { isToCome } from '@aspecta/core/order';
import { isBought, keepsPanel } from '@aspecta/core/verdict';
import type { Station, StationStanding } from '../station.ts';
import { CloseService } from '../close/service.ts';
import { FitService } from '../fit/service.ts';
import { JointService } from '../repair/service.ts';
import { ShopService } from '../shop/service.ts';
import { OrderEntity } from '../order/entities.ts';
import { cutInRepairs, type CutInRepair } from '../verdict/cutIn.ts';
import { VerdictService } from '../verdict/service.ts';
import { WeldEntity, WeldStepEntity } from './entities.ts';
import { BothSidesService } from './bothSides.ts';
import { weldProgress } from './progress.ts';
import { weldRoutes } from './routes.ts';
import { WeldingCosts } from './schoolCosts.ts';
import { WeldService } from './service.ts';

/** Which weld, how hot, how long to wait. */
export const weld: Station = {
  name: 'weld',
  entities: [WeldEntity, WeldStepEntity],
  serve: (house) => {
    const [verdicts, bench] = [house.the(VerdictService), house.bench];
    const welds = new WeldService(house.db, {
      joints: house.the(JointService),
      verdicts,
      fits: house.the(FitService),
      closes: house.the(CloseService),
      shops: house.the(ShopService),
      bench,
    });
    return [
      welds,
      new BothSidesService(house.db, { verdicts, welds, bench }),
      new WeldingCosts(house.the(ShopService), bench),
    ];
  },
  addresses: (house) => [
    {
      router: weldRoutes({
        welds: house.the(WeldService),
        sides: house.the(BothSidesService),
        schools: house.the(WeldingCosts),
      }),
    },
  ],
  standing: async ({ db }, vehicles) => {
    const repairs = await cutInRepairs(db, vehicles, (choice) => !keepsPanel(choice));
    const [lacking, progress] = await Promise.all([
      awaitedFor(db, repairs),
      weldProgress(
        db,
        repairs.map(({ id }) => id),
      ),
    ]);
    return new Map(
      vehicles.map(({ id }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        // What has all its welds is welded, also while nobody has signed the repair off yet.
        const open = own.filter(({ id, done }) => !done && (progress.get(id)?.share ?? 0) < 1);
        const ready = open.filter((row) => !lacking.has(row.id));
        const at = ready[0] ?? open[0] ?? own[0];
        return [
          id,
          {
            word:
              own.length === 0
                ? 'nothing to weld'
                : open.length === 0
                  ? 'all welded'
                  : ready.length === 0
                    ? 'waits for parts'
                    : `${ready.length} to weld`,
            waits: ready.length > 0,
            done: own.length > 0 && open.length === 0,
            path: at && `repairs/${at.id}/weld`,
          },
        ];
      }),
    );
  },
};

/** Repairs for which a bought panel is still wanted, on its way, or not yet looked at. */
async function awaitedFor(db: DataSource, repairs: readonly CutInRepair[]): Promise<ReadonlySet<string>> {
  const bought = repairs.filter(({ choice }) => isBought(choice)).map(({ id }) => id);
  const rows = await db.getRepository(OrderEntity).findBy({ repairId: In(bought) });
  return new Set(rows.filter(({ state }) => isToCome(state)).map((row) => row.repairId!));
}
