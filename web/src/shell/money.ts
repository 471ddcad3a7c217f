/**
 * Minor units (pence, cents) of an amount as it is typed: `380`, `380.50`, `1 250,00`, `1.250,00`.
 * `1.250` could be meant either way: it, and what is no amount, is passed on as it is, so that the server refuses it at its field.
 */
export function minorUnits(text: string): number | string {
  const bare = text.trim().replace(/[\s€£$]/g, '');
  const grouped = /^\d{1,3}(?:([.,’'])\d{3})(?:\1\d{3})*([.,])\d{1,2}$/.exec(bare);
  const plain = (grouped && grouped[1] !== grouped[2] ? bare.replaceAll(grouped[1]!, '') : bare).replace(',', '.');
  return /^\d+(\.\d{1,2})?$/.test(plain) ? Math.round(Number(plain) * 100) : text;
}
export const majorUnits = (minor: number) => (minor / 100).toFixed(2);
