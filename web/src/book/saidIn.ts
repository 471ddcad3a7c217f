import type { Drawing } from './drawing.ts';
import type { BookAnswer, Writer } from './page.ts';

/** An answer whose sentences speak of mm, µm and °C, as this person reads them. */
export function answerIn({ figure, sentence, rows }: BookAnswer, { said }: Pick<Writer, 'said'>): BookAnswer {
  return {
    figure: said(figure),
    sentence: said(sentence),
    rows: rows.map(({ name, text }) => ({ name: said(name), text: said(text) })),
  };
}

/** The same of what is written in a drawing. */
export function drawingIn({ parts, label }: Drawing, { said }: Pick<Writer, 'said'>): Drawing {
  return {
    label: said(label),
    parts: parts.map((part) => ('text' in part ? { ...part, text: said(part.text) } : part)),
  };
}
