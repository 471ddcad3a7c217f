import type { PatternView } from '@aspecta/contract/pattern';
import type { Point } from '@aspecta/core/geometry';
import type { OutlineDrawing } from '../shape/outlineFiles.ts';

/** A pattern as it is drawn at 1:1: what is cut, where it is bent and slit, and what stands on it; turned over for the other side. */
export function patternDrawing(
  { blank, thickness, material, otherSide }: PatternView,
  { car, panel, other }: { car: string; panel: string; other: boolean },
): OutlineDrawing {
  const at = ([u, v]: Point): Point => (other ? [-u, v] : [u, v]);
  const all = (lines: readonly (readonly Point[])[]) => lines.map((line) => line.map(at));
  const [from, to] = blank.grain;
  return {
    title: `${car}, ${other ? (otherSide ?? panel) : panel}, ${thickness.toFixed(2)} mm ${material}`,
    cut: all(blank.blank),
    bend: all(blank.bends.map(({ line }) => line)),
    slit: all(blank.slits),
    mark: all([...blank.marks, [from, to]]),
    words: [
      ...blank.bends.map(({ line, angle, way }) => ({
        at: at(line[Math.floor((line.length - 1) / 2)]!),
        text: `${Math.round(angle)}° ${way}`,
      })),
      { at: at(to), text: 'grain; seen face up' },
    ],
  };
}
