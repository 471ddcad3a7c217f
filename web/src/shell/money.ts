/**
 * Minor units (pence, cents) of an amount as it is typed: `380`, `380.50`, `1 250,00`.
 * What is no amount is passed on as it is, so that the server refuses it at its field.
 */
export function minorUnits(text: string): number | string {
  const plain = text
    .trim()
    .replace(/[\s€£$]/g, '')
    .replace(',', '.');
  return /^\d+(\.\d{1,2})?$/.test(plain) ? Math.round(Number(plain) * 100) : text;
}
export const majorUnits = (minor: number) => (minor / 100).toFixed(2);
