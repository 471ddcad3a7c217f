import yauzl from 'yauzl';
import { ServerProblem } from '../http/problems.ts';

/** Bytes that a workbook may unfold to, and files it may hold; twenty thousand readings take a tenth of it. */
const LARGEST = 80_000_000;
const MOST_FILES = 500;

/**
 * Looks how large a workbook is before anything holds it whole: what its list of contents
 * says, and whether that is true, for a small file can unfold to gigabytes.
 * @throws ServerProblem `too-large`, or `invalid` where it is no archive
 */
export async function checkWorkbookSize(bytes: Buffer): Promise<void> {
  const broken = () =>
    new ServerProblem('invalid', 'This workbook cannot be opened; save it again as .xlsx or CSV.', 'file');
  const large = () =>
    new ServerProblem(
      'too-large',
      'This workbook unfolds to far more than readings take; save the sheet as CSV.',
      'file',
    );
  const archive = await new Promise<yauzl.ZipFile>((resolve, reject) =>
    yauzl.fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true }, (error, zip) =>
      error ? reject(broken()) : resolve(zip),
    ),
  );
  if (archive.entryCount > MOST_FILES) throw large();
  let total = 0;
  await new Promise<void>((resolve, reject) => {
    archive.on('error', () => reject(broken()));
    archive.on('end', () => resolve());
    archive.on('entry', (entry: yauzl.Entry) => {
      total += entry.uncompressedSize;
      if (total > LARGEST) return reject(large());
      if (entry.fileName.endsWith('/')) return archive.readEntry();
      archive.openReadStream(entry, (error, stream) => {
        if (error) return reject(broken());
        // Unfolded piece by piece and thrown away: a lie about the size ends it at once.
        stream.on('error', () => reject(broken()));
        stream.on('end', () => archive.readEntry());
        stream.resume();
      });
    });
    archive.readEntry();
  });
}
