import { inflateSync } from 'node:zlib';

/** Text of a PDF: its streams inflated, and the hexadecimal strings of its text operators joined. */
export function textOf(pdf: Buffer): string {
  const raw = pdf.toString('latin1');
  return [...raw.matchAll(/stream\r?\n([\s\S]*?)endstream/g)]
    .map(([, stream]) => {
      try {
        return inflateSync(Buffer.from(stream!, 'latin1')).toString('latin1');
      } catch {
        return '';
      }
    })
    .flatMap((content) =>
      [...content.matchAll(/\[((?:<[0-9a-f]*>|[-\d. ])*)\] TJ/g)].map(([, parts]) =>
        [...parts!.matchAll(/<([0-9a-f]*)>/g)].map(([, hex]) => Buffer.from(hex!, 'hex').toString('latin1')).join(''),
      ),
    )
    .join('\n');
}
