/** Colours of the look, as styles.css names them without the dashes; read from the page, so that they have one home. */
export const COLOURS = [
  'paper',
  'sheet',
  'card',
  'line',
  'line-strong',
  'ink',
  'ink-soft',
  'mark',
  'mark-soft',
  'mark-ink',
  'alarm',
  'alarm-soft',
  'good',
  'sound',
  'worn',
  'thin',
  'failing',
  'through',
  'filler',
  'decided',
] as const;
export type Colour = (typeof COLOURS)[number];
export type Tokens = Record<Colour, string>;

/** The colours as they are now; undefined where the page has no styles, as in tests. */
export function readTokens(root: Element = document.documentElement): Tokens | undefined {
  const style = getComputedStyle(root);
  const pairs = COLOURS.map((name) => [name, style.getPropertyValue(`--${name}`).trim()] as const);
  return pairs.every(([, value]) => value !== '') ? (Object.fromEntries(pairs) as Tokens) : undefined;
}
