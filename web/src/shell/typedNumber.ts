/** A whole number as it is typed; what is none is passed on as it is, so that the server refuses it at its field. */
export const wholeNumber = (text: string): number | string => (/^\d+$/.test(text.trim()) ? Number(text) : text);

/** A number as it is typed, with comma or point; what is none is passed on, so that the server refuses it at its field. */
export function decimal(text: string): number | string {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) ? value : text;
}
/** A share typed in per cent. */
export function shareOf(text: string): number | string {
  const value = decimal(text.replace('%', ''));
  return typeof value === 'number' ? value / 100 : value;
}
