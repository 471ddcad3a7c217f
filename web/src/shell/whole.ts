/** A whole number as it is typed; what is none is passed on as it is, so that the server refuses it at its field. */
export const wholeNumber = (text: string): number | string => (/^\d+$/.test(text.trim()) ? Number(text) : text);
