/** One line of a gauge, understood; `nonsense` where it is none. */
export type GaugeLine =
  | { type: 'hello'; name: string; kind: 'coating' | 'thickness'; range: [number, number] }
  | { type: 'reading'; seq: number; value: number | null; censored: 'above' | 'below' | null }
  | { type: 'battery'; percent: number }
  | { type: 'zeroed' }
  | { type: 'drift' }
  | { type: 'nonsense'; text: string };

/** Characters of a line that are looked at: a gauge that sends rubbish sends much of it. */
const LONGEST_LINE = 200;

/**
 * What does this line of a gauge say? ASCII, one message a line:
 * `HELLO coating 0 2000 name`, `R 17 142.5` (reading 17), `R 18 OVER 2000`, `R 19 UNDER 0.5`,
 * `R 20 NONE` (no coupling), `BAT 35`, `ZEROED`, `DRIFT`. Values in µm (coating) or mm.
 * Anything else is nonsense and is passed on as such, shortened.
 */
export function gaugeLine(line: string): GaugeLine {
  const text = line
    .slice(0, LONGEST_LINE)
    .replace(/[^\x20-\x7e]/g, '·')
    .trim();
  const words = text.split(/ +/);
  const number = (i: number) => (/^-?\d+(\.\d+)?$/.test(words[i] ?? '') ? Number(words[i]) : Number.NaN);
  if (words[0] === 'R' && Number.isInteger(number(1))) {
    const seq = number(1);
    if (words[2] === 'NONE' && words.length === 3) return { type: 'reading', seq, value: null, censored: null };
    const beyond = words[2] === 'OVER' ? 'above' : words[2] === 'UNDER' ? 'below' : null;
    const value = number(beyond ? 3 : 2);
    if (Number.isFinite(value) && value >= 0 && words.length === (beyond ? 4 : 3))
      return { type: 'reading', seq, value, censored: beyond };
  }
  if (words[0] === 'BAT' && number(1) >= 0 && number(1) <= 100) return { type: 'battery', percent: number(1) };
  if (text === 'ZEROED') return { type: 'zeroed' };
  if (text === 'DRIFT') return { type: 'drift' };
  const kind = words[1];
  if (words[0] === 'HELLO' && (kind === 'coating' || kind === 'thickness') && number(2) < number(3) && words[4])
    return { type: 'hello', kind, range: [number(2), number(3)], name: words.slice(4).join(' ') };
  return { type: 'nonsense', text: text.slice(0, 60) };
}
