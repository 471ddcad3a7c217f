import type { DataSource } from 'typeorm';
import { cutDefaults, type CutPlanView, type CutSettings } from '@aspecta/contract/cut';
import { layerOf, panelOf, sheetOf, type Panel } from '@aspecta/core/body';
import { cutPanelOf, chooseDatums, cutOffsets, lineOnMap } from '@aspecta/core/cut';
import type { Point } from '@aspecta/core/geometry';
import { layerSamples } from '@aspecta/core/survey';
import { changeOnce } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import { asReading } from '../survey/asReading.ts';
import type { ReadingService } from '../survey/readings.ts';
import type { VerdictService } from '../verdict/service.ts';
import type { Workbench } from '../work/bench.ts';
import type { JobInput } from '../work/jobs.ts';
import { CutEntity } from './entities.ts';
import { remembered } from './remembered.ts';

interface Services {
  verdicts: VerdictService;
  readings: ReadingService;
  shops: ShopService;
  bench: Workbench;
}

/** The way of a cut: decided zones → line → what it runs on → tape offsets in the shop's unit. */
export class CutService {
  private readonly db: DataSource;
  private readonly services: Services;
  private readonly findLine;
  private readonly findThinMetal;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
    const { bench } = services;
    this.findLine = remembered((input: JobInput<'cutLine'>, asker: string) => bench.run('cutLine', input, asker));
    this.findThinMetal = remembered((input: JobInput<'thinMetal'>, asker: string) =>
      bench.run('thinMetal', input, asker),
    );
  }

  /** The plan with the saved settings, or with the shop's usual ones. */
  async plan(caller: Caller, repairId: string): Promise<CutPlanView> {
    const { repair, vehicle } = await this.services.verdicts.own(caller, repairId);
    const saved = await this.db.manager.findOneBy(CutEntity, { id: repairId });
    const settings = saved?.settings ?? cutDefaults;
    const body = vehicle.plan;
    const panel = panelOf(body, repair.panel);
    const [zones, shop] = await Promise.all([
      this.services.verdicts.damageOf(repair),
      this.services.shops.shop(caller),
    ]);
    const layer = layerOf(panel, zones[0]!.layer);
    const readings = await this.services.readings.countingOn(vehicle.id, panel.id, layer.id);
    const { metal } = layerSamples(panel, layer.id, readings.map(asReading));
    const asker = caller.personId;
    const thin = await this.findThinMetal({ sheet: sheetOf(panel), asBuilt: layer.thickness, readings: metal }, asker);
    const line = await this.findLine(
      {
        panel: { ...cutPanelOf(body, panel, layer.id), unweldable: thin },
        damage: zones.map((zone) => zone.ring),
        margin: settings.margin,
        house: settings,
      },
      asker,
    );
    const datums = chooseDatums(panel.outline, (outward) => edgeName(panel, outward), line.corners);
    const { corners, runs } = cutOffsets({ line: line.corners, datums, unit: shop.unit });
    return {
      repairId,
      panel: panel.id,
      layer: layer.id,
      thickness: layer.thickness,
      settings,
      saved: saved !== null,
      version: saved?.version ?? 0,
      line,
      datums,
      corners,
      runs,
      mirror:
        body.panels.find((other) => other.mirrorOf?.panel === panel.id)?.name ??
        (panel.mirrorOf ? panelOf(body, panel.mirrorOf.panel).name : null),
      thin,
      onMap: lineOnMap({ joints: line.joints, asBuilt: layer.thickness, readings: metal }),
    };
  }

  async save(
    caller: Caller,
    repairId: string,
    { version, ...settings }: CutSettings & { version: number },
  ): Promise<CutPlanView> {
    const { vehicle } = await this.services.verdicts.own(caller, repairId);
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (version === 0 && !(await manager.existsBy(CutEntity, { id: repairId })))
        await manager.insert(CutEntity, { id: repairId, settings, version: 1 });
      else
        await changeOnce(manager, {
          target: CutEntity,
          id: repairId,
          seen: version,
          changes: { settings },
          current: () => this.plan(caller, repairId),
        });
    });
    return this.plan(caller, repairId);
  }
}

/** How a restorer calls the edge that faces this way. */
function edgeName(panel: Panel, [u, v]: Point): string {
  if (Math.abs(v) >= Math.abs(u)) {
    if (panel.view === 'floor' || panel.view === 'top')
      return v > 0 ? 'upper edge on the drawing' : 'lower edge on the drawing';
    return v > 0 ? 'upper edge' : 'lower edge';
  }
  if (['front', 'rear'].includes(panel.view) || panel.side === 'centre')
    return u > 0 ? 'right-hand end' : 'left-hand end';
  const front = (panel.view === 'right' || (panel.view === 'inner' && panel.side === 'right') ? u > 0 : u < 0)
    ? 'front'
    : 'rear';
  return `${front} edge`;
}
