import { join } from 'node:path';
import { type DataSource } from 'typeorm';
import type { Board } from '@aspecta/contract/board';
import type { FindView, PhotoView, PitsView, WalkView, ZoneView } from '@aspecta/contract/survey';
import { layerOf, sheetOf, type Panel } from '@aspecta/core/body';
import { FEWEST_READINGS, layerSamples, mapThickness, type Reading, type ThicknessMap } from '@aspecta/core/survey';
import { Problem } from '@aspecta/core';
import type { LengthUnit } from '@aspecta/core/units';
import type { BoardService } from '../board/service.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import type { PhotoService } from '../photo/service.ts';
import type { ShopService } from '../shop/service.ts';
import { PitEntity } from '../survey/entities.ts';
import type { FindService } from '../survey/finds.ts';
import type { PitService } from '../survey/pits.ts';
import type { ReadingService } from '../survey/readings.ts';
import type { WalkService } from '../survey/walk.ts';
import { zoneView, type ZoneService } from '../survey/zones.ts';

/** All that is known of one panel. */
export interface PanelReport {
  panel: Panel;
  state: Board['panels'][number];
  /** One for each layer with enough readings. */
  maps: { layer: string; name: string; map: ThicknessMap; readings: number }[];
  pits: { layer: string; view: PitsView }[];
  zones: ZoneView[];
  finds: FindView[];
  photos: (PhotoView & { path: string })[];
}

/** Everything that an inspection report says, before it is set on paper. */
export interface Inspection {
  vehicle: OwnVehicle;
  shop: { name: string; unit: LengthUnit };
  on: string;
  by: string;
  walk: WalkView;
  panels: PanelReport[];
  notInspected: Panel[];
  coverage: number;
}

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

/** Gathers an inspection: board → walk → panel by panel: maps, pits, zones, finds, pictures → what was not inspected. */
export class ReportService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async inspection(caller: Caller, vehicleId: string): Promise<Inspection> {
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
    const pitted = await this.db.manager.find(PitEntity, {
      where: { vehicleId },
      select: { panel: true, layer: true },
    });
    const panels: PanelReport[] = [];
    for (const panel of vehicle.plan.panels) {
      const own = allReadings.filter((row) => row.panel === panel.id);
      const layers = [...new Set(pitted.filter((row) => row.panel === panel.id).map((row) => row.layer))];
      const report: PanelReport = {
        panel,
        state: states.panels.find((state) => state.panel === panel.id)!,
        maps: panel.layers.flatMap((layer) => mapOf(panel, layer.id, own)),
        pits: await Promise.all(
          layers.map(async (layer) => ({
            layer,
            view: await this.services.pits.of(caller, vehicleId, panel.id, layer),
          })),
        ),
        zones: allZones.filter((row) => row.panel === panel.id).map((row) => zoneView(row, panel)),
        finds: walk.finds.filter((find) => find.panel === panel.id && find.sign !== 'sound'),
        photos: await Promise.all(
          pictures
            .filter((picture) => picture.panel === panel.id)
            .map(async (picture) => {
              const { root, name } = await photos.fileOf(caller, vehicleId, picture.id, true);
              return { ...picture, path: join(root, name) };
            }),
        ),
      };
      if (own.length + report.zones.length + report.finds.length + report.pits.length + report.photos.length > 0)
        panels.push(report);
    }
    const known = new Set(panels.map((report) => report.panel.id));
    return {
      vehicle,
      shop,
      on: new Date().toISOString().slice(0, 10),
      by: caller.name,
      walk,
      panels,
      notInspected: vehicle.plan.panels.filter((panel) => !known.has(panel.id)),
      coverage: states.panels.reduce((sum, state) => sum + state.coverage, 0) / Math.max(1, states.panels.length),
    };
  }
}

/** The map of a layer, where its readings make one. */
function mapOf(panel: Panel, layerId: string, readings: readonly Reading[]): PanelReport['maps'] {
  const layer = layerOf(panel, layerId);
  const { metal } = layerSamples(panel, layerId, readings);
  if (new Set(metal.map((sample) => `${sample.u} ${sample.v}`)).size < FEWEST_READINGS) return [];
  try {
    const map = mapThickness({ sheet: sheetOf(panel), asBuilt: layer.thickness, readings: metal });
    return [{ layer: layerId, name: layer.name, map, readings: metal.length }];
  } catch (error) {
    if (error instanceof Problem) return [];
    throw error;
  }
}
