import { keepsPanel } from '@aspecta/core/verdict';
import { JointService } from '../repair/service.ts';
import type { Chapter, Station, StationStanding } from '../station.ts';
import { cutInRepairs } from '../verdict/cutIn.ts';
import { ShopService } from '../shop/service.ts';
import { VerdictService } from '../verdict/service.ts';
import { DressEntity } from './entities.ts';
import { dressRoutes } from './routes.ts';
import { DressService } from './service.ts';

/** After welding: how level is it, and what is tapped, stretched or filled? */
export const dress: Station = {
  name: 'dress',
  entities: [DressEntity],
  serve: (house) => [
    new DressService(house.db, {
      verdicts: house.the(VerdictService),
      joints: house.the(JointService),
      shops: house.the(ShopService),
    }),
  ],
  addresses: (house) => [{ router: dressRoutes(house.the(DressService)) }],
  report: async (house, vehicle): Promise<Chapter[]> => {
    const lines = await house.the(DressService).told(vehicle);
    return lines.length > 0 ? [{ title: 'Welds by the straight edge', lasting: true, lines }] : [];
  },
  standing: async (house, vehicles) => {
    const repairs = await cutInRepairs(house.db, vehicles, (choice) => !keepsPanel(choice));
    const shares = await house.the(DressService).shares(repairs);
    return new Map(
      vehicles.map(({ id }): [string, StationStanding] => {
        const own = repairs.filter((row) => row.vehicleId === id);
        const read = own.filter((row) => shares.has(row.id));
        const open = read.filter((row) => shares.get(row.id)! < 1 && !row.done);
        const at = open[0] ?? read[0] ?? own.find((row) => !row.done) ?? own[0];
        return [
          id,
          {
            word: own.length === 0 ? 'nothing' : read.length > 0 ? `${read.length} read` : 'not read',
            waits: open.length > 0,
            done: own.length > 0 && own.every((row) => row.done || shares.get(row.id) === 1),
            path: at && `repairs/${at.id}/dress`,
          },
        ];
      }),
    );
  },
};
