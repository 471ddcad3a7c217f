import { IsNull, type DataSource } from 'typeorm';
import type { PitInput, PitsView, PitView } from '@aspecta/contract/survey';
import { layerOf, panelOf, sheetOf } from '@aspecta/core/body';
import { area } from '@aspecta/core/geometry';
import { Problem, refuse } from '@aspecta/core';
import { pitRating, pits, type PitRating } from '@aspecta/core/survey';
import { changeOf } from '../db/changeOf.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { PitEntity, type PitRow } from './entities.ts';
import { checkPlace } from './finds.ts';

/** Deepest pits in equal patches, and what they say of the whole panel. */
export class PitService {
  private readonly db: DataSource;
  private readonly garage: GarageService;

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  async of(caller: Caller, vehicleId: string, panelId: string, layerId: string): Promise<PitsView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const panel = panelOf(vehicle.plan, panelId);
    const layer = layerOf(panel, layerId);
    const rows = await this.db.getRepository(PitEntity).find({
      where: { vehicleId, panel: panelId, layer: layer.id, deletedAt: IsNull() },
      order: { at: 'ASC' },
    });
    const sampledArea = rows.reduce((sum, row) => sum + row.side ** 2, 0);
    let why: string | null = null;
    let result: PitsView['result'] = null;
    try {
      result = pits({
        depths: rows.map((row) => row.depth),
        sampledArea: Math.max(1, sampledArea),
        totalArea: area(sheetOf(panel)),
        thickness: layer.thickness,
      });
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      why =
        rows.length < 3
          ? `The deepest pit of ${3 - rows.length} more ${rows.length === 2 ? 'patch' : 'patches'} is needed before anything can be said of the whole panel.`
          : error.message;
    }
    return { patches: rows.map(viewOf), result, rating: ratingOf(rows), why };
  }

  /** Notes the deepest pit of a patch; all patches of a sheet are equally large. */
  async add(caller: Caller, vehicleId: string, input: PitInput): Promise<PitsView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    checkPlace(vehicle.plan, input);
    const layer = layerOf(panelOf(vehicle.plan, input.panel), input.layer);
    if (input.depth > layer.thickness)
      refuse(
        'too-large',
        'depth',
        `A pit of ${input.depth} mm is deeper than the sheet (${layer.thickness} mm): note a hole instead, as a probe reading.`,
      );
    const row: PitRow = {
      ...input,
      pits: input.pits ?? null,
      mouth: input.mouth ?? null,
      vehicleId,
      at: new Date(),
      by: caller.name,
      deletedAt: null,
    };
    await changeOf(this.db, vehicleId, async (manager) => {
      const { panel, layer: of } = input;
      const others = await manager.findBy(PitEntity, { vehicleId, panel, layer: of, deletedAt: IsNull() });
      const side = others.find((other) => other.id !== input.id)?.side;
      if (side !== undefined && side !== input.side)
        refuse(
          'unequal-patches',
          'side',
          `The other patches of this sheet are ${side} mm wide; measure this one over the same width.`,
        );
      await manager.createQueryBuilder().insert().into(PitEntity).values(row).orIgnore().execute();
      const stored = await manager.findOneByOrFail(PitEntity, { id: input.id });
      if (stored.vehicleId !== vehicleId) throw notFound('patch');
    });
    return this.of(caller, vehicleId, input.panel, input.layer);
  }

  async setRemoved(caller: Caller, vehicleId: string, id: string, removed: boolean): Promise<void> {
    await this.garage.own(caller, vehicleId);
    await changeOf(this.db, vehicleId, async (manager) => {
      const { affected } = await manager.update(
        PitEntity,
        { id, vehicleId },
        { deletedAt: removed ? new Date() : null },
      );
      if (affected !== 1) throw notFound('patch');
    });
  }
}

/** Rated where pits were counted and their mouths measured. */
function ratingOf(rows: readonly PitRow[]): PitRating | null {
  const counted = rows.filter((row) => row.pits !== null && row.mouth !== null);
  const deepest = Math.max(0, ...rows.map((row) => row.depth));
  if (counted.length === 0 || deepest === 0) return null;
  return pitRating({
    pits: counted.reduce((sum, row) => sum + row.pits!, 0),
    area: counted.reduce((sum, row) => sum + row.side ** 2, 0),
    mouth: counted.reduce((sum, row) => sum + row.mouth!, 0) / counted.length,
    depth: deepest,
  });
}

function viewOf(row: PitRow): PitView {
  const { vehicleId: _vehicle, deletedAt: _deleted, at, ...rest } = row;
  return { ...rest, at: at.toISOString() };
}
