import type { Turn } from '@aspecta/core/pattern';

/** How an edge goes on, as one says it; lengths written by the caller. */
export function edgeText(
  { width, angle, way, bought }: Turn & { bought?: boolean },
  length: (mm: number) => string,
): string {
  if (bought) return 'comes with the bought panel';
  if (width === 0) return 'ends here';
  if (angle === 0) return `${length(width)} flat, under its neighbour`;
  if (angle === 180) return `${length(width)} folded back ${way}`;
  return `${length(width)} turned ${way} by ${Math.round(angle)}°`;
}

export type EdgeWay = 'ends' | 'flat' | 'square' | 'hem' | 'other';
export const EDGE_WAYS: readonly { value: EdgeWay; label: string }[] = [
  { value: 'ends', label: 'Ends here' },
  { value: 'flat', label: 'Lies flat' },
  { value: 'square', label: 'Square' },
  { value: 'hem', label: 'Folded back' },
  { value: 'other', label: 'Another angle' },
];
export function edgeWay({ width, angle }: Turn): EdgeWay {
  if (width === 0) return 'ends';
  if (angle === 0) return 'flat';
  if (angle === 90) return 'square';
  return angle === 180 ? 'hem' : 'other';
}
export const ANGLES: Readonly<Record<Exclude<EdgeWay, 'other'>, number>> = { ends: 0, flat: 0, square: 90, hem: 180 };
