import type { Point, Ring } from '@aspecta/core/geometry';

/* What a page of the Bench book draws, in mm, v up; the component that shows it only scales. */
export type DrawnLook = 'metal' | 'line' | 'thin' | 'mark' | 'ghost' | 'alarm';
export type Drawn =
  | { kind: 'area'; rings: readonly Ring[]; look: DrawnLook }
  | { kind: 'line'; points: readonly Point[]; look: DrawnLook; closed?: boolean }
  | { kind: 'dots'; points: readonly Point[]; look: DrawnLook }
  | { kind: 'text'; at: Point; text: string; look?: DrawnLook; anchor?: 'start' | 'middle' | 'end' }
  /** A measured length between two places, drawn `off` px to the left of the way from a to b. */
  | { kind: 'size'; from: Point; to: Point; text: string; off?: number };

export interface Drawing {
  parts: Drawn[];
  /** Said to those who cannot see it. */
  label: string;
}

/** All places of a drawing, for the frame around it. */
export function placesOf({ parts }: Drawing): Point[] {
  return parts.flatMap((part): Point[] => {
    switch (part.kind) {
      case 'area':
        return part.rings.flat() as Point[];
      case 'line':
      case 'dots':
        return [...part.points];
      case 'text':
        return [part.at];
      case 'size':
        return [part.from, part.to];
    }
  });
}

export const rectangle = (width: number, height: number, u = 0, v = 0): Ring => [
  [u, v],
  [u + width, v],
  [u + width, v + height],
  [u, v + height],
];

/** Points of an arc, degrees anticlockwise. */
export function arcLine(centre: Point, radius: number, from: number, to: number): Point[] {
  const count = Math.max(2, Math.ceil(Math.abs(to - from) / 3));
  return Array.from({ length: count + 1 }, (_, i): Point => {
    const angle = ((from + ((to - from) * i) / count) * Math.PI) / 180;
    return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)];
  });
}

/** A sheet of some thickness along a line: its outline. */
export function thickLine(line: readonly Point[], thickness: number): Ring {
  const side = (sign: number) =>
    line.map((p, i): Point => {
      const a = line[Math.max(0, i - 1)]!;
      const b = line[Math.min(line.length - 1, i + 1)]!;
      const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
      return [
        p[0] - (sign * (b[1] - a[1]) * thickness) / 2 / length,
        p[1] + (sign * (b[0] - a[0]) * thickness) / 2 / length,
      ];
    });
  return [...side(1), ...side(-1).reverse()];
}
