import type { CornerTape } from '@aspecta/contract/hold';
import type { Square } from '@aspecta/core/hold';

/** A tape of an opening as a person reads it. */
export const sideText = (tape: CornerTape): string => tape.toUpperCase().split('').join('–');

/** mm. What a tape cannot tell from nothing. */
export const EVEN = 1;

/** Where a corner is moved so that the opening is even; null where it may stay. */
export function moveText([along, away]: readonly [number, number], said: (mm: number) => string): string | null {
  const parts = [
    ...(Math.abs(along) >= EVEN ? [`${said(Math.abs(along))} towards the ${along > 0 ? 'B–C' : 'D–A'} side`] : []),
    ...(Math.abs(away) >= EVEN ? [`${said(Math.abs(away))} ${away > 0 ? 'away from' : 'towards'} A–B`] : []),
  ];
  return parts.length > 0 ? parts.join(' and ') : null;
}

/** What six tapes say of an opening, in a sentence each. */
export function cornersText({ difference, over, moves, closes }: Square, said: (mm: number) => string): string[] {
  if (!closes) return ['The six tapes do not fit each other: one of them was misread. Take the diagonals again first.'];
  const [c, d] = [moveText(moves.c, said), moveText(moves.d, said)];
  if (!c && !d) return ['It is square, as far as a tape tells.'];
  return [
    ...(Math.abs(difference) >= EVEN
      ? [
          `Diagonal ${difference > 0 ? 'A–C is longer than B–D' : 'B–D is longer than A–C'} by ${said(Math.abs(difference))}.`,
        ]
      : []),
    ...(Math.abs(over) >= EVEN
      ? [`The C–D end stands ${said(Math.abs(over))} over to the ${over > 0 ? 'B–C' : 'D–A'} side.`]
      : []),
    `With A and B as they are: ${[...(c ? [`move C ${c}`] : []), ...(d ? [`move D ${d}`] : [])].join('; ')}.`,
  ];
}
