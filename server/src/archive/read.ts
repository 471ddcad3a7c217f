import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { ServerProblem } from '../http/problems.ts';
import { ARCHIVE, type Rows } from './out.ts';

/** Bytes of the JSON and of one picture, pictures, and rows that one car may bring. */
const MOST = { json: 200_000_000, picture: 30_000_000, pictures: 4000, rows: 200_000 };

const refused = (detail: string) => new ServerProblem('invalid', detail, 'archive');

/** An archive as it lies in the memory: its rows, and its pictures by name, each read when it is asked for. */
export interface Archive {
  car: string;
  rows: Rows;
  picture(name: string): Promise<Buffer | null>;
  close(): void;
}

/** Opens a ZIP that somebody has sent. @throws ServerProblem naming what is wrong with it */
export async function readArchive(bytes: Buffer): Promise<Archive> {
  const zip = await opened(bytes);
  try {
    const entries = await entriesOf(zip);
    const told = entries.get('car.json');
    if (!told) throw refused('This ZIP is no car of Aspecta: it has no car.json.');
    if (told.uncompressedSize > MOST.json) throw refused('The car.json of this archive is too large to be read.');
    const { car, rows } = checked(await bytesOf(zip, told));
    return {
      ...{ car, rows },
      picture: async (name) => {
        const entry = entries.get(`pictures/${name}`);
        if (!entry) return null;
        if (entry.uncompressedSize > MOST.picture)
          throw refused(`The picture ${name} is larger than any that is kept.`);
        return bytesOf(zip, entry);
      },
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function opened(bytes: Buffer): Promise<ZipFile> {
  return new Promise((done, fail) =>
    yauzl.fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true }, (error, zip) =>
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
