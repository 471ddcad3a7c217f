import { randomBytes, randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { DataSource, EntityMetadata } from 'typeorm';
import { bodyPlans } from '@aspecta/core/body';
import { PlanEntity } from '../body/entities.ts';
import { record } from '../events/record.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { PictureStore } from '../photo/pictures.ts';
import { familyOf, type Kin } from './family.ts';
import type { Rows } from './out.ts';
import type { Archive } from './read.ts';

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
/** Rows that go into the database in one statement. */
const AT_ONCE = 500;
const refused = (detail: string) => new ServerProblem('invalid', detail, 'archive');

/**
 * Takes a car in that was taken out of another house: every row under a new name, so that nothing that is
 * here is touched; all of it in one transaction, or none.
 *
 * @returns the id of the car in this house
 */
export async function takeIn(
  { db, pictures }: { db: DataSource; pictures: PictureStore },
  caller: Caller,
  archive: Archive,
): Promise<string> {
  const family = familyOf(db);
  const rows = renamed(archive.rows);
  const plan = db.getMetadata(PlanEntity);
  checkKinds(rows, family, plan);
  const kept: string[] = [];
  const [car] = rows['vehicle'] as [Record<string, unknown>];
  try {
    for (const photo of rows['photo'] ?? []) {
      const file = randomBytes(18).toString('hex');
      kept.push(file);
      await keepPicture(archive, pictures, { from: String(photo['file']), to: file });
      photo['file'] = file;
    }
    await db.transaction('READ COMMITTED', async (manager) => {
      const own = { shopId: caller.shopId };
      const knows =
        bodyPlans().some(({ id }) => id === car['planId']) || rows['body_plan']?.[0]?.['id'] === car['planId'];
      if (!knows) throw refused('The body that this car is mapped on is not in the archive.');
      const insert = async (metadata: EntityMetadata, list: readonly Record<string, unknown>[]) => {
        const typed = list.map((row) => asStored(row, metadata, own));
        for (let i = 0; i < typed.length; i += AT_ONCE)
          await manager.insert(metadata.target, typed.slice(i, i + AT_ONCE));
      };
      await insert(plan, rows['body_plan'] ?? []);
      for (const { name, metadata } of family) await insert(metadata, rows[name] ?? []);
      await record(manager, caller, String(car['id']), 'garage', `Taken in from an archive: ${archive.car}`);
    });
  } catch (error) {
    for (const file of kept) await pictures.throwAway(file);
    const code = (error as { driverError?: { code?: string } }).driverError?.code;
    if (code) throw refused(`A row of this archive does not fit (${code}); take the car out again.`);
    throw error;
  }
  return String(car['id']);
}

/** Every id in it under a new name, wherever it stands: in keys, in what people said of steps, in lists. */
function renamed(rows: Rows): Rows {
  const names = new Map<string, string>();
  for (const list of Object.values(rows))
    for (const { id } of list) if (typeof id === 'string' && id.match(UUID)?.[0] === id) names.set(id, randomUUID());
  return JSON.parse(JSON.stringify(rows).replace(UUID, (id) => names.get(id) ?? id)) as Rows;
}

/** Kinds that are known, with their own columns, and nothing that hangs on what is not in the archive. */
function checkKinds(rows: Rows, family: readonly Kin[], plan: EntityMetadata): void {
  const known = new Map(family.map((kin) => [kin.name, kin]));
  for (const [name, list] of Object.entries(rows)) {
    const kin = known.get(name);
    if (!kin && name !== plan.tableName) throw refused(`This archive has rows of a kind that is not known: ${name}.`);
    const columns = new Set((kin?.metadata ?? plan).columns.map(({ propertyName }) => propertyName));
    for (const row of list) {
      const strange = Object.keys(row).find((column) => !columns.has(column));
      if (strange) throw refused(`A row of ${name} has a column that is not known: ${strange}.`);
      for (const { column, to } of kin?.links ?? []) {
        if (to === 'shop' || row[column] === null || row[column] === undefined) continue;
        if (!(rows[to] ?? []).some(({ id }) => id === row[column]))
          throw refused(`A row of ${name} belongs to something that is not in this archive.`);
      }
    }
  }
}

/** A row as the database takes it: moments as moments, the shop that it comes to. */
function asStored(row: Record<string, unknown>, metadata: EntityMetadata, { shopId }: { shopId: string }) {
  const moments = new Set(
    metadata.columns.filter(({ type }) => type === 'datetime').map(({ propertyName }) => propertyName),
  );
  return Object.fromEntries(
    Object.entries(row).map(([column, value]) => {
      if (column === 'shopId') return [column, shopId];
      return [column, moments.has(column) && typeof value === 'string' ? new Date(value) : value];
    }),
  );
}

/** The pixels of a picture, large and small, as they were kept: JPEG that can be opened, and says nothing of where it was taken. */
async function keepPicture(
  archive: Archive,
  pictures: PictureStore,
  { from, to }: { from: string; to: string },
): Promise<void> {
  for (const small of [false, true]) {
    const bytes = await archive.picture(pictures.nameOf(from, small));
    if (!bytes) throw refused(`A picture of this car is missing in the archive (${pictures.nameOf(from, small)}).`);
    const head = await sharp(bytes, { failOn: 'error' })
      .metadata()
      .catch(() => null);
    const opens = await sharp(bytes, { failOn: 'error' })
      .stats()
      .catch(() => null);
    if (head?.format !== 'jpeg' || !opens || head.exif)
      throw refused(`A picture of this archive is none that was kept by a house (${pictures.nameOf(from, small)}).`);
    await pictures.put(pictures.nameOf(to, small), bytes);
  }
}
