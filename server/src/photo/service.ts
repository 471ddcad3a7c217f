import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { MOST_PHOTOS, type PhotoChange, type PhotoView } from '@aspecta/contract/survey';
import { rectifyPhoto } from '@aspecta/core/survey';
import { changeOnce } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { PhotoEntity, type PhotoRow } from '../survey/entities.ts';
import { checkPlace } from '../survey/finds.ts';
import { hashOf, type PictureStore } from './pictures.ts';

/** What is told with a new picture. */
export interface PhotoInput {
  id: string;
  panel: string | null;
  layer: string | null;
  u: number | null;
  v: number | null;
  note: string;
  takenAt: Date;
}

/** Pictures of a vehicle: pinned to place, layer and date; true to size where four points are known. */
export class PhotoService {
  private readonly db: DataSource;
  private readonly garage: GarageService;
  readonly pictures: PictureStore;

  constructor(db: DataSource, garage: GarageService, pictures: PictureStore) {
    this.db = db;
    this.garage = garage;
    this.pictures = pictures;
  }

  async list(caller: Caller, vehicleId: string, panel?: string): Promise<PhotoView[]> {
    await this.garage.own(caller, vehicleId);
    const rows = await this.db.getRepository(PhotoEntity).find({
      where: { vehicleId, deletedAt: IsNull(), ...(panel ? { panel } : {}) },
      order: { takenAt: 'ASC' },
    });
    return rows.map(photoView);
  }

  /** Keeps a picture; the same picture of the same vehicle is kept once. */
  async add(caller: Caller, vehicleId: string, input: PhotoInput, bytes: Buffer): Promise<PhotoView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    checkPin(vehicle.plan, input);
    const known = await this.knownAs(this.db.manager, vehicleId, input.id, hashOf(bytes));
    if (known) return photoView(known);
    if ((await this.db.getRepository(PhotoEntity).countBy({ vehicleId, deletedAt: IsNull() })) >= MOST_PHOTOS)
      throw new ServerProblem('too-large', `A vehicle can have ${MOST_PHOTOS} pictures; remove some first.`, 'picture');
    const picture = await this.pictures.keep(bytes);
    const row: PhotoRow = {
      ...input,
      ...picture,
      vehicleId,
      pairs: [],
      matrix: null,
      rms: null,
      worst: null,
      region: null,
      version: 1,
      at: new Date(),
      by: caller.name,
      deletedAt: null,
    };
    const kept = await changeOf(this.db, vehicleId, async (manager) => {
      // Sent several times at once: while this one was re-encoded, another may have been kept.
      const other = await this.knownAs(manager, vehicleId, input.id, row.hash);
      if (other) return other;
      await manager.insert(PhotoEntity, row);
      await record(manager, caller, vehicleId, 'survey', `Picture${input.panel ? ` of ${input.panel}` : ''}`);
      return row;
    });
    if (kept !== row) await this.pictures.throwAway(row.file);
    return photoView(kept);
  }

  private async knownAs(manager: EntityManager, vehicleId: string, id: string, hash: string): Promise<PhotoRow | null> {
    const same = await manager.findOneBy(PhotoEntity, { id });
    if (same && same.vehicleId !== vehicleId) throw notFound('picture');
    return same ?? manager.findOneBy(PhotoEntity, { vehicleId, hash, deletedAt: IsNull() });
  }

  /** Pins, notes, and known points; with four of them the picture lies true to size on its panel. */
  async change(
    caller: Caller,
    vehicleId: string,
    id: string,
    { version, ...changes }: PhotoChange,
  ): Promise<PhotoView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    checkPin(vehicle.plan, changes);
    await this.own(caller, vehicleId, id);
    const lies =
      changes.pairs.length >= 4
        ? rectifyPhoto({ pairs: changes.pairs, points: [] })
        : { matrix: null, rms: null, worst: null };
    const stored = async () => photoView(await this.own(caller, vehicleId, id));
    const { matrix, rms, worst } = lies;
    // What was stroked lies where the picture lies: without its place on a panel it says nothing.
    const region = matrix && changes.panel ? changes.region : null;
    await changeOf(this.db, vehicleId, (manager) =>
      changeOnce(manager, {
        target: PhotoEntity,
        id,
        seen: version,
        changes: { ...changes, matrix, rms, worst, region },
        current: stored,
      }),
    );
    return stored();
  }

  async setRemoved(caller: Caller, vehicleId: string, id: string, removed: boolean): Promise<void> {
    await this.garage.own(caller, vehicleId);
    await changeOf(this.db, vehicleId, async (manager) => {
      const change = { deletedAt: removed ? new Date() : null };
      const { affected } = await manager.update(PhotoEntity, { id, vehicleId }, change);
      if (affected !== 1) throw notFound('picture');
    });
  }

  /** Where the pixels of a picture lie: a name within the folder of the pictures. */
  async fileOf(caller: Caller, vehicleId: string, id: string, small: boolean): Promise<{ root: string; name: string }> {
    const { file } = await this.own(caller, vehicleId, id);
    return { root: this.pictures.folder, name: this.pictures.nameOf(file, small) };
  }

  private async own(caller: Caller, vehicleId: string, id: string): Promise<PhotoRow> {
    await this.garage.own(caller, vehicleId);
    const row = await this.db.getRepository(PhotoEntity).findOneBy({ id, vehicleId, deletedAt: IsNull() });
    if (!row) throw notFound('picture');
    return row;
  }
}

function checkPin(
  plan: Parameters<typeof checkPlace>[0],
  { panel, layer, u, v }: { panel: string | null; layer: string | null; u: number | null; v: number | null },
): void {
  if (panel !== null && layer !== null && u !== null && v !== null) checkPlace(plan, { panel, layer, u, v });
}

export function photoView(row: PhotoRow): PhotoView {
  const { vehicleId: _vehicle, deletedAt: _deleted, file: _file, hash: _hash, at, takenAt, ...rest } = row;
  return { ...rest, at: at.toISOString(), takenAt: takenAt.toISOString() };
}
