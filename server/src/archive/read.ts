import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { ServerProblem } from '../http/problems.ts';
import { ARCHIVE, type Rows } from './out.ts';

/** Bytes of the JSON and of one picture, pictures in all, rows that one car may bring, and cars at once. */
const MOST = { cars: 100, json: 200_000_000, picture: 30_000_000, pictures: 4000, rows: 200_000 };

const refused = (detail: string) => new ServerProblem('invalid', detail, 'archive');

/** A car of an archive: its rows, and its pictures by name, each read when it is asked for. */
export interface Archive {
  car: string;
  rows: Rows;
  picture(name: string): Promise<Buffer | null>;
}

/** One car at the root of an archive, or several, each in a folder. */
const CAR = /^(?:([^/]{1,40})\/)?car\.json$/;

/** Opens a ZIP that somebody has sent, as it lies on the disk: the cars in it, all of them checked. @throws ServerProblem naming what is wrong with it */
export async function readArchive(file: string): Promise<{ cars: Archive[]; close: () => void }> {
  const zip = await opened(file);
  try {
    const entries = await entriesOf(zip);
    const told = [...entries].flatMap(([name, entry]) => {
      const found = CAR.exec(name);
      return found ? [{ entry, folder: found[1] === undefined ? '' : `${found[1]}/` }] : [];
    });
    if (told.length === 0) throw refused('This ZIP is no car of Aspecta: it has no car.json.');
    if (told.length > MOST.cars) throw refused(`This archive has more than ${MOST.cars} cars; take them out in parts.`);
    const cars: Archive[] = [];
    for (const { entry, folder } of told) {
      if (entry.uncompressedSize > MOST.json) throw refused('The car.json of this archive is too large to be read.');
      cars.push({
        ...checked(await bytesOf(zip, entry)),
        picture: async (name) => {
          const picture = entries.get(`${folder}pictures/${name}`);
          if (!picture) return null;
          if (picture.uncompressedSize > MOST.picture)
            throw refused(`The picture ${name} is larger than any that is kept.`);
          return bytesOf(zip, picture);
        },
      });
    }
    return { cars, close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function opened(file: string): Promise<ZipFile> {
  return new Promise((done, fail) =>
    yauzl.open(file, { lazyEntries: true, validateEntrySizes: true, autoClose: false }, (error, zip) =>
      error || !zip ? fail(refused('This file is no ZIP, or was cut off; take the car out again.')) : done(zip),
    ),
  );
}

/** Names with a way out of the archive are refused by the reader itself. */
async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  return new Promise((done, fail) => {
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry);
      if (entries.size > MOST.pictures * 2 + 1)
        fail(refused(`This archive has more than ${MOST.pictures} pictures; take some of them out first.`));
      else zip.readEntry();
    });
    zip.on('end', () => done(entries));
    zip.on('error', () => fail(refused('This archive is broken, or has files that would lie outside of it.')));
    zip.readEntry();
  });
}

async function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  return new Promise((done, fail) =>
    zip.openReadStream(entry, (error, stream) => {
      if (error || !stream) return fail(refused(`${entry.fileName} cannot be read: the archive is broken.`));
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => done(Buffer.concat(chunks)));
      stream.on('error', () => fail(refused(`${entry.fileName} cannot be read: the archive is broken.`)));
    }),
  );
}

function checked(json: Buffer): { car: string; rows: Rows } {
  let told: { format?: unknown; version?: unknown; car?: unknown; rows?: unknown };
  try {
    told = JSON.parse(json.toString('utf8')) as typeof told;
  } catch {
    throw refused('The car.json of this archive is broken.');
  }
  if (told?.format !== ARCHIVE.format || typeof told.version !== 'number')
    throw refused('This ZIP is no car of Aspecta.');
  if (told.version > ARCHIVE.version)
    throw refused('This archive was made by a newer version of Aspecta; renew this house first.');
  const rows = told.rows as Rows;
  const isRows =
    typeof rows === 'object' &&
    rows !== null &&
    Object.values(rows).every(
      (list) =>
        Array.isArray(list) && list.every((row) => typeof row === 'object' && row !== null && !Array.isArray(row)),
    );
  if (!isRows || rows['vehicle']?.length !== 1) throw refused('The car.json of this archive does not hold one car.');
  if (Object.values(rows).reduce((sum, list) => sum + list.length, 0) > MOST.rows)
    throw refused(`This archive has more than ${MOST.rows} rows; it cannot be taken in at once.`);
  return { car: typeof told.car === 'string' ? told.car : 'car', rows };
}
