import { PICTURE_WORDS } from '@aspecta/contract/record';
import { join } from 'node:path';
import type { BoardService } from '../board/service.ts';
import type { GarageService } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import type { PhotoService } from '../photo/service.ts';
import { tellsDay } from '../shop/day.ts';
import type { ShopService } from '../shop/service.ts';
import { PitEntity } from '../survey/entities.ts';
import type { FindService } from '../survey/finds.ts';
import type { PitService } from '../survey/pits.ts';
import type { ReadingService } from '../survey/readings.ts';
import type { WalkService } from '../survey/walk.ts';
import { zoneView, type ZoneService } from '../survey/zones.ts';
import type { Workshop } from '../station.ts';
import type { ReportFormat, Reader } from './file.ts';
import type { Gathered, PanelGathered, ShownPicture } from './inspection.ts';

interface Services {
  garage: GarageService;
  shops: ShopService;
  readings: ReadingService;
  zones: ZoneService;
  finds: FindService;
  walks: WalkService;
  pits: PitService;
  photos: PhotoService;
  board: BoardService;
}

/** Gathers an inspection: board → walk → panel by panel: readings, pits, zones, finds, pictures → what was not inspected; maps and file are made on the workbench. */
export class ReportService {
  private readonly house: Workshop;
  private readonly services: Services;

  constructor(house: Workshop, services: Services) {
    this.house = house;
    this.services = services;
  }

  /** The inspection of a vehicle as a file. */
  async file(caller: Caller, vehicleId: string, format: ReportFormat, reader: Reader): Promise<Uint8Array> {
    const gathered = await this.gather(caller, vehicleId, reader);
    return this.house.bench.run('inspectionFile', { gathered, format, reader }, caller.personId);
  }

  private async gather(caller: Caller, vehicleId: string, reader: Reader): Promise<Gathered> {
    const { garage, shops, readings, zones, walks, photos, board } = this.services;
    const vehicle = await garage.own(caller, vehicleId);
    const [shop, allReadings, allZones, walk, pictures, states] = await Promise.all([
      shops.shop(caller),
      readings.counting(vehicleId),
      zones.ofVehicle(vehicleId),
      walks.walk(caller, vehicleId),
      photos.list(caller, vehicleId),
      board.board(caller, vehicleId),
    ]);
    const pitted = await this.house.db.getRepository(PitEntity).find({
      where: { vehicleId },
      select: { panel: true, layer: true },
    });
    const day = tellsDay(shop.timeZone);
    const show = async (id: string, caption: string): Promise<ShownPicture> => {
      const { root, name } = await photos.fileOf(caller, vehicleId, id, true);
      return { path: join(root, name), caption };
    };
    const panels: PanelGathered[] = [];
    for (const panel of vehicle.plan.panels) {
      const own = allReadings.filter((row) => row.panel === panel.id);
      const layers = [...new Set(pitted.filter((row) => row.panel === panel.id).map((row) => row.layer))];
      const report: PanelGathered = {
        panel,
        state: states.panels.find((state) => state.panel === panel.id)!,
        readings: own,
        pits: await Promise.all(
          layers.map(async (layer) => ({
            layer,
            view: await this.services.pits.of(caller, vehicleId, panel.id, layer),
          })),
        ),
        zones: allZones.filter((row) => row.panel === panel.id).map((row) => zoneView(row, panel)),
        finds: walk.finds.filter((find) => find.panel === panel.id && find.sign !== 'sound'),
        photos: await Promise.all(
          pictures.filter((picture) => picture.panel === panel.id).map(({ id, takenAt }) => show(id, day(takenAt))),
        ),
      };
      if (own.length + report.zones.length + report.finds.length + report.pits.length + report.photos.length > 0)
        panels.push(report);
    }
    const chapters = await Promise.all(
      this.house.stations.map((station) => station.report?.(this.house, vehicle, reader) ?? []),
    );
    const known = new Set(panels.map((report) => report.panel.id));
    return {
      vehicle,
      shop,
      on: day(new Date()),
      by: caller.name,
      walk,
      panels,
      chapters: await Promise.all(
        chapters.flat().map(async (chapter) => ({
          ...chapter,
          shown: await Promise.all(
            (chapter.pictures ?? []).map(({ id, when, takenAt }) =>
              show(id, `${PICTURE_WORDS[when]}, ${day(takenAt)}`),
            ),
          ),
        })),
      ),
      notInspected: vehicle.plan.panels.filter((panel) => !known.has(panel.id)),
      coverage: states.panels.reduce((sum, state) => sum + state.coverage, 0) / Math.max(1, states.panels.length),
    };
  }
}
