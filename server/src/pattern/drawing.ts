import { sectionName, type PatternView } from '@aspecta/contract/pattern';
import type { Point } from '@aspecta/core/geometry';
import type { OutlineDrawing } from '../shape/outlineFiles.ts';

/** A pattern as it is drawn at 1:1: what is cut, where it is bent and slit, and what stands on it; turned over for the other side. */
export function patternDrawing(
  { blank, thickness, material, otherSide, section, sections }: PatternView,
  { car, panel, other, length }: { car: string; panel: string; other: boolean; length: (mm: number) => string },
): OutlineDrawing {
  const at = ([u, v]: Point): Point => (other ? [-u, v] : [u, v]);
  const all = (lines: readonly (readonly Point[])[]) => lines.map((line) => line.map(at));
  const [from, to] = blank.grain;
  return {
    title: [
      car,
      other ? (otherSide ?? panel) : panel,
      sectionName(section, sections),
      `${length(thickness)} ${material}`,
    ]
      .filter((word) => word !== '')
      .join(', '),
    cut: all(blank.blank),
    bend: all(blank.bends.map(({ line }) => line)),
    slit: all(blank.slits),
    mark: all([...blank.marks, ...blank.fittings.flatMap(({ at }) => crossAt(at)), [from, to]]),
    words: [
      ...blank.bends.map(({ line, angle, way }) => ({
        at: at(line[Math.floor((line.length - 1) / 2)]!),
        text: `${Math.round(angle)}° ${way}`,
      })),
      ...blank.steps.map(({ line, depth }) => ({
        at: at(line[Math.floor((line.length - 1) / 2)]!),
        text: `set down ${length(depth)}`,
      })),
      ...blank.fittings.map((fitting) => ({
        at: at(fitting.at),
        text: fitting.diameter > 0 ? `${fitting.name}, ${length(fitting.diameter)}` : fitting.name,
      })),
      { at: at(to), text: 'grain; seen face up' },
    ],
  };
}

/** mm. Arms of the cross that marks a middle. */
const ARM = 6;
const crossAt = ([u, v]: Point): [Point, Point][] => [
  [
    [u - ARM, v],
    [u + ARM, v],
  ],
  [
    [u, v - ARM],
    [u, v + ARM],
  ],
];
