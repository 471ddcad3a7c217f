import type { Point, Ring } from '../../../geometry/index.ts';
import { steel, type DrawnPanel } from '../../draw.ts';
import type { Layer } from '../../types.ts';
import { archLip, archOver, box, crease, drain, line, opening, outlineOf, roundHole, strip } from './shapes.ts';

/** What a flank is drawn from: the left side seen from outside, front to the left; mm above the sill's lower edge. */
export interface FlankLines {
  /** Nose: where it begins, the height of its lower edge and of its upper edge. */
  nose: { u: number; low: number; high: number };
  frontAxle: Point;
  rearAxle: Point;
  arch: number;
  /** Door from its front to its rear shut line. */
  door: readonly [number, number];
  sill: number;
  /** Height of the waist at the front and the rear of the door. */
  waist: readonly [number, number];
  /** Where the windscreen pillar reaches the roof, and the height of the roof. */
  roof: { u: number; v: number };
  /** How far the rear edge of the door glass leans at the roof. */
  lean: number;
  skin: (name: string) => Layer[];
}

const GAP = 6;

/** Front wing, bolted: from the nose over the wheel opening to the door. */
export function wing(f: FlankLines): DrawnPanel {
  const rear = f.door[0] - GAP;
  const { u, low, high } = f.nose;
  const outline = outlineOf(
    archOver(f.frontAxle, f.arch, low, 0),
    line(
      [rear, 0],
      [rear, f.sill],
      [
        [rear + 2, f.waist[0] * 0.5],
        [rear - 4, f.waist[0] * 0.8],
        [rear - 10, f.waist[0]],
      ],
    ),
    line(
      [rear - 10, f.waist[0]],
      [
        [rear - 0.35 * (rear - u), f.waist[0] + 4],
        [u + 0.3 * (rear - u), high + 26],
        [u + 70, high],
      ],
    ),
    line(
      [u + 70, high],
      [
        [u + 30, high - 10],
        [u + 4, high - 60],
        [u, high - 120],
      ],
      [
        [u - 4, (high + low) / 2],
        [u + 2, low + 60],
        [u + 20, low],
      ],
    ),
  );
  return {
    id: 'wing',
    name: 'Front wing',
    outline,
    holes: [
      roundHole('repeater', 'Side repeater hole', f.frontAxle[0] + f.arch + 60, f.waist[0] * 0.72, 14),
      roundHole('trim-1', 'Trim clip hole', f.frontAxle[0] + 40, f.waist[0] * 0.82, 4),
    ],
    creases: [crease('waist', 'Waist crease', [u + 20, high - 110], [rear - 10, f.waist[0] - 96])],
    flanges: [archLip(f.frontAxle, f.arch, low, 0)],
    layers: f.skin('Wing'),
    curvature: 'double',
    fixing: 'bolted',
  };
}

/** The glass of the door and the door around it; a frame of `frame` mm. */
function glassOf(f: FlankLines, frame: number): Ring {
  const [front, rear] = f.door;
  const base = Math.max(...f.waist) + 40;
  const slope = (f.roof.u - front) / (f.roof.v - f.waist[0]);
  const top = f.roof.v - frame - 34;
  const at = (v: number) => front + slope * (v - f.waist[0]) + frame * 1.5;
  return outlineOf(
    line(
      [at(base) + 24, base],
      [rear - frame - 10, base],
      [
        [rear - frame, base],
        [rear - frame, base + 6],
        [rear - frame - 1, base + 16],
      ],
      [rear - frame - f.lean, top - 30],
      [
        [rear - frame - f.lean - 2, top - 8],
        [rear - frame - f.lean - 12, top],
        [rear - frame - f.lean - 34, top],
      ],
      [at(top) + 34, top],
      [
        [at(top) + 14, top],
        [at(top) + 4, top - 8],
        [at(top) - 8, top - 22],
      ],
      [at(base), base + 18],
      [
        [at(base) - 6, base + 8],
        [at(base) + 2, base],
        [at(base) + 24, base],
      ],
    ),
  );
}

/** Door skin with its window frame. */
export function door(f: FlankLines, frame = 34): DrawnPanel {
  const [front, rear] = f.door;
  const low = f.sill + 8;
  const slope = (f.roof.u - front) / (f.roof.v - f.waist[0]);
  const top = f.roof.v - 30;
  const at = (v: number) => front + slope * (v - f.waist[0]);
  const outline = outlineOf(
    line(
      [front + 34, low],
      [rear - 30, low],
      [
        [rear - 10, low],
        [rear, low + 12],
        [rear + 1, low + 34],
      ],
      [
        [rear + 6, f.waist[1] * 0.5],
        [rear + 4, f.waist[1] * 0.8],
        [rear, f.waist[1] + 20],
      ],
      [rear - f.lean, top - 40],
      [
        [rear - f.lean - 2, top - 12],
        [rear - f.lean - 14, top],
        [rear - f.lean - 44, top],
      ],
      [at(top) + 40, top],
      [
        [at(top) + 14, top],
        [at(top), top - 10],
        [at(top) - 16, top - 30],
      ],
      [at(f.waist[0] + 24), f.waist[0] + 24],
      [front + 2, f.waist[0]],
      [
        [front + 6, f.waist[0] * 0.6],
        [front + 6, f.waist[0] * 0.4],
        [front + 4, low + 34],
      ],
      [
        [front + 5, low + 12],
        [front + 14, low],
        [front + 34, low],
      ],
    ),
  );
  return {
    id: 'door-skin',
    name: 'Door skin',
    outline,
    holes: [
      opening('window', 'Window opening', glassOf(f, frame)),
      roundHole('handle', 'Handle hole', rear - 150, f.waist[1] - 110, 17),
      roundHole('trim-1', 'Trim clip hole', front + 300, f.waist[0] * 0.82, 4),
      drain('drain-front', front + 130, low + 3),
      drain('drain-rear', rear - 180, low + 3),
    ],
    creases: [
      crease('waist', 'Waist crease', [front + 8, f.waist[0] - 96], [rear - 2, f.waist[1] - 96]),
      crease('low', 'Lower swage', [front + 10, low + 110], [rear - 4, low + 110]),
    ],
    flanges: [strip('hem', 'Folded hem', front + 40, low, rear - 40, low + 14)],
    layers: f.skin('Door skin'),
    curvature: 'single',
  };
}

/** Sill below the door: a hollow of two or three sheets, with flanges, drains and jacking points. */
export function sill(f: FlankLines, layers: readonly Layer[], name = 'Sill'): DrawnPanel {
  const [front, rear] = f.door;
  return {
    id: 'sill',
    name,
    outline: box(front, 0, rear, f.sill),
    holes: [0.16, 0.5, 0.84].map((share, i) => drain(`drain-${i + 1}`, front + (rear - front) * share, 5)),
    creases: [
      crease('pinch', 'Lower flange fold', [front, 18], [rear, 18]),
      crease('step', 'Upper step', [front, f.sill - 20], [rear, f.sill - 20]),
    ],
    flanges: [
      strip('lower', 'Lower flange', front, 0, rear, 16),
      strip('upper', 'Upper flange', front, f.sill - 14, rear, f.sill),
    ],
    mounts: [
      { id: 'jack-front', name: 'Front jacking point', at: [front + 120, f.sill * 0.45] },
      { id: 'jack-rear', name: 'Rear jacking point', at: [rear - 120, f.sill * 0.45] },
    ],
    layers,
    curvature: 'single',
    structural: true,
  };
}

/** The upper frame: windscreen pillar, roof rail and the post behind the door glass, as one band. */
export function pillar(f: FlankLines, width = 40): DrawnPanel {
  const [front, rear] = f.door;
  const slope = (f.roof.u - front) / (f.roof.v - f.waist[0]);
  const at = (v: number) => front + slope * (v - f.waist[0]);
  const top = f.roof.v;
  const inner = top - 24;
  return {
    id: 'pillar',
    name: 'Windscreen pillar and roof rail',
    outline: outlineOf(
      line(
        [at(f.waist[0]) - width - 14, f.waist[0] + 8],
        [at(f.waist[0]) - 6, f.waist[0] + 8],
        [at(inner - 34) - 10, inner - 34],
        [
          [at(inner) - 4, inner - 8],
          [at(inner) + 10, inner],
          [at(inner) + 40, inner],
        ],
        [rear - f.lean, inner],
        [rear - f.lean, top + 8],
        [
          [rear - f.lean - 200, top + 22],
          [at(top) + 200, top + 24],
          [at(top) + 60, top + 14],
        ],
        [
          [at(top) + 10, top + 10],
          [at(top) - 26, top - 6],
          [at(top) - 50, top - 36],
        ],
        [at(f.waist[0]) - width - 14, f.waist[0] + 8],
      ),
    ),
    creases: [crease('gutter', 'Gutter', [at(top) + 70, top + 4], [rear - f.lean - 4, top])],
    layers: [steel('outer', 'Outer skin', 1.0), steel('inner', 'Reinforcement', 1.2)],
    curvature: 'double',
    structural: true,
  };
}
