/** A whole number as it is typed; what is none is passed on as it is, so that the server refuses it at its field. */
export const wholeNumber = (text: string): number | string => (/^\d+$/.test(text.trim()) ? Number(text) : text);

/** A number as people write it: decimal comma or point. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain) ? Number(plain) : null;
}

/** The same; what is none is passed on, so that the server refuses it at its field. */
export const decimal = (text: string): number | string => readNumber(text) ?? text;
/** A share typed in per cent. */
export function shareOf(text: string): number | string {
  const value = decimal(text.replace('%', ''));
  return typeof value === 'number' ? value / 100 : value;
}
