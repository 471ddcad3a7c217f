import type { DataSource } from 'typeorm';
import { cutDefaults, pinsAlong, type CutInput, type CutPlanView } from '@aspecta/contract/cut';
import { Problem, refuse } from '@aspecta/core';
import { layerOf, panelOf, sheetOf } from '@aspecta/core/body';
import { cutPanelOf, lineOnMap, marginAround, tapesFor, type CutLine } from '@aspecta/core/cut';
import { clipAll } from '@aspecta/core/geometry';
import { cutAndLeft } from '@aspecta/core/repair';
import { isNearMount, layerSamples, rulesWith } from '@aspecta/core/survey';
import { changeOnce } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import { asReading } from '../survey/asReading.ts';
import type { ReadingService } from '../survey/readings.ts';
import type { VerdictService } from '../verdict/service.ts';
import type { Workbench } from '../work/bench.ts';
import type { JobInput } from '../work/jobs.ts';
import { CutEntity, type CutRow } from './entities.ts';
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
  private readonly layLine;
  private readonly findThinMetal;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
    const { bench } = services;
    this.findLine = remembered((input: JobInput<'lineAround'>, asker: string) => bench.run('lineAround', input, asker));
    this.layLine = remembered((input: JobInput<'lineByHand'>, asker: string) => bench.run('lineByHand', input, asker));
    this.findThinMetal = remembered((input: JobInput<'thinMetal'>, asker: string) =>
      bench.run('thinMetal', input, asker),
    );
  }

  /** The plan with the saved settings and the person's own line, or with the shop's usual ones; or as it would be with others. */
  async plan(caller: Caller, repairId: string, tried?: Omit<CutRow, 'id'>): Promise<CutPlanView> {
    const { repair, vehicle } = await this.services.verdicts.own(caller, repairId);
    const saved = tried ?? (await this.db.getRepository(CutEntity).findOneBy({ id: repairId }));
    // Settings that were kept before one was added take what is usual for it.
    const settings = { ...cutDefaults, ...saved?.settings };
    const { margin, reach, from, ...house } = settings;
    const body = vehicle.plan;
    const panel = panelOf(body, repair.panel);
    const [damage, shop] = await Promise.all([
      this.services.verdicts.damageOf(repair),
      this.services.shops.shop(caller),
    ]);
    // What stays and is treated is not gone around.
    const { cut: zones, left } = cutAndLeft(damage, shop.metalwork.cutBack, ({ ring }) =>
      isNearMount(panel, ring, shop.limits),
    );
    const layer = layerOf(panel, zones[0]!.layer);
    const readings = await this.services.readings.countingOn(vehicle.id, panel.id, layer.id);
    const { metal } = layerSamples(panel, layer.id, readings.map(asReading));
    const asker = caller.personId;
    const rules = rulesWith(shop.limits);
    const thin = await this.findThinMetal(
      { sheet: sheetOf(panel), asBuilt: layer.thickness, readings: metal, rules },
      asker,
    );
    const task = {
      panel: { ...cutPanelOf(body, panel, layer.id), unweldable: thin },
      margin: marginAround(zones, margin),
      house,
    };
    const own = saved?.corners ?? null;
    const [found, hand] = await Promise.all([
      this.findLine({ ...task, zones: zones.map(({ class: kind, ring }) => ({ class: kind, ring })) }, asker).catch(
        (error: unknown) => {
          // Where no line is found the person's own still stands.
          if (own && error instanceof Problem) return null;
          throw error;
        },
      ),
      own &&
        this.layLine({ ...task, damage: zones.map((zone) => zone.ring), corners: own }, asker).catch(
          (error: unknown) => {
            // What has changed since it was laid: the page stays of use, and says so.
            if (!tried && error instanceof Problem) return error;
            throw error;
          },
        ),
    ]);
    const laid = hand instanceof Problem ? null : hand;
    const line = laid ?? (found && withdrawn(found, hand));
    if (!line) throw hand;
    return {
      repairId,
      panel: panel.id,
      layer: layer.id,
      thickness: layer.thickness,
      settings,
      saved: saved !== null,
      version: saved?.version ?? 0,
      line,
      own: laid !== null,
      pins: laid && pinsAlong(laid.laid, own!, saved!.pins),
      found: laid && found,
      ...tapesFor({ panel, line, unit: shop.unit, reach, from }),
      mirror:
        body.panels.find((other) => other.mirrorOf?.panel === panel.id)?.name ??
        (panel.mirrorOf ? panelOf(body, panel.mirrorOf.panel).name : null),
      thin,
      left:
        left.length > 0
          ? clipAll(
              'intersection',
              left.map(({ ring, holes }) => [ring, ...holes]),
              [sheetOf(panel)],
            ).area
          : 0,
      onMap: lineOnMap({
        ...{ joints: line.joints, asBuilt: layer.thickness, readings: metal },
        certainty: rules.certainty,
      }),
    };
  }

  async save(
    caller: Caller,
    repairId: string,
    { version, corners, pins, ...settings }: CutInput,
  ): Promise<CutPlanView> {
    const { vehicle } = await this.services.verdicts.own(caller, repairId);
    // A line that cannot be laid is refused before it is kept.
    if (corners) await this.plan(caller, repairId, { settings, corners, pins, version });
    if (corners && pins && pins.length !== corners.length)
      refuse('pins', 'pins', 'Say for every corner what it is held to, or for none.');
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (version === 0 && !(await manager.existsBy(CutEntity, { id: repairId })))
        await manager.insert(CutEntity, { id: repairId, settings, corners, pins, version: 1 });
      else
        await changeOnce(manager, {
          target: CutEntity,
          id: repairId,
          seen: version,
          changes: { settings, corners, pins },
          current: () => this.plan(caller, repairId),
        });
    });
    return this.plan(caller, repairId);
  }
}

/** A line that was found in place of one that was laid by hand and cannot be used any more. */
const withdrawn = (found: CutLine, hand: Problem | CutLine | null): CutLine =>
  hand instanceof Problem
    ? {
        ...found,
        warnings: [
          `The line that was laid by hand cannot be used any more: ${hand.message} This is the one that was found.`,
          ...found.warnings,
        ],
      }
    : found;
