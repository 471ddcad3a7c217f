import { arc, circle, roundedRectangle, type Point } from '../../../geometry/index.ts';
import { single, steel, type DrawnPanel } from '../../draw.ts';
import type { Layer } from '../../types.ts';
import { archOver, box, crease, drain, line, opening, outlineOf, ribs, roundHole, strip, window } from './shapes.ts';

/* Parts that many bodies have, drawn where they are wanted; mm. */
export interface Place {
  u: number;
  v: number;
}

/** A plain rectangular sheet with rounded corners. */
export function sheet(
  id: string,
  name: string,
  { u, v }: Place,
  width: number,
  height: number,
  rest: Partial<DrawnPanel> & { radius?: number } = {},
): DrawnPanel {
  const { radius = 30, ...over } = rest;
  return {
    id,
    name,
    outline:
      radius === 0
        ? box(u, v, u + width, v + height)
        : outlineOf(roundedRectangle(u, v, u + width, v + height, radius)),
    layers: single(0.9),
    curvature: 'single',
    ...over,
  };
}

/** Inner wing: a wall with the wheel opening below and the strut mount above. */
export function innerWing({ u, v }: Place, length: number, height: number, arch: number): DrawnPanel {
  const axle: Point = [u + length * 0.52, v - 40];
  return {
    id: 'inner-wing',
    name: 'Inner wing',
    outline: outlineOf(
      line(
        [u, v],
        [u, v + height * 0.8],
        [
          [u + 30, v + height],
          [u + length * 0.3, v + height],
          [u + length * 0.5, v + height + 10],
        ],
        [u + length, v + height - 20],
        [u + length, v],
      ),
      archOver(axle, arch, v, v).reverse(),
    ),
    holes: [roundHole('strut', 'Strut hole', axle[0], v + height - 70, 38)],
    creases: [crease('upper', 'Upper fold', [u + 20, v + height - 130], [u + length - 6, v + height - 140])],
    mounts: [{ id: 'strut', name: 'Strut mount', at: [axle[0] + 70, v + height - 70] }],
    flanges: [strip('rear', 'Rear flange', u + length - 18, v + 20, u + length, v + height - 40)],
    layers: single(1.2),
    curvature: 'double',
    structural: true,
    visible: false,
  };
}

/** Inner wheel arch behind the skin: a half ring. */
export function wheelHouse(id: string, name: string, { u, v }: Place, radius: number, width: number): DrawnPanel {
  const axle: Point = [u + radius + width, v];
  return {
    id,
    name,
    outline: outlineOf(arc(axle, radius + width, 180, 0), arc(axle, radius, 0, 180)),
    creases: [crease('rim', 'Rim', ...arc(axle, radius + width * 0.35, 172, 8))],
    flanges: [
      {
        id: 'arch-edge',
        name: 'Edge to the skin',
        outline: outlineOf(arc(axle, radius, 180, 0), arc(axle, radius + 18, 0, 180)),
      },
    ],
    layers: single(0.9),
    curvature: 'double',
    visible: false,
  };
}

/** Door inner: frame with two access holes, hinges at its front edge. */
export function doorInner({ u, v }: Place, width: number, height: number): DrawnPanel {
  return {
    id: 'door-inner',
    name: 'Door inner panel',
    outline: outlineOf(roundedRectangle(u, v, u + width, v + height, 26)),
    holes: [
      window('access-1', 'Access hole', u + width * 0.12, v + height * 0.3, u + width * 0.44, v + height * 0.72),
      window('access-2', 'Access hole', u + width * 0.52, v + height * 0.26, u + width * 0.82, v + height * 0.7),
      drain('drain-front', u + 120, v + 4),
      drain('drain-rear', u + width - 160, v + 4),
    ],
    creases: [crease('belt', 'Belt fold', [u + 10, v + height - 60], [u + width - 10, v + height - 60])],
    mounts: [
      { id: 'hinge-low', name: 'Lower hinge', at: [u + 26, v + height * 0.25] },
      { id: 'hinge-high', name: 'Upper hinge', at: [u + 26, v + height * 0.8] },
    ],
    layers: single(0.9),
    curvature: 'single',
    visible: false,
  };
}

/** Hinge post: hollow, with hinge mounts and a drain. */
export function hingePost(id: string, name: string, { u, v }: Place, width: number, height: number): DrawnPanel {
  return {
    id,
    name,
    outline: line(
      [u, v],
      [u + width, v],
      [u + width - 6, v + height * 0.6],
      [u + width - 30, v + height],
      [u + 12, v + height],
    ),
    holes: [
      roundHole('access', 'Access hole', u + width * 0.48, v + height * 0.55, 24),
      drain('drain', u + width * 0.35, v + 6),
    ],
    creases: [crease('fold', 'Fold', [u + width * 0.8, v + 20], [u + width * 0.72, v + height - 20])],
    mounts: [
      { id: 'hinge-low', name: 'Lower hinge mount', at: [u + width * 0.4, v + height * 0.25] },
      { id: 'hinge-high', name: 'Upper hinge mount', at: [u + width * 0.4, v + height * 0.8] },
    ],
    layers: [steel('outer', 'Outer sheet', 1.2), steel('inner', 'Inner sheet', 1.0)],
    curvature: 'single',
    structural: true,
    visible: false,
  };
}

/** A rail of a frame or a leg of a floor, with its kick over the axle; hollow. */
export function rail(
  id: string,
  name: string,
  { u, v }: Place,
  length: number,
  height: number,
  kick: number,
  layers: readonly Layer[],
): DrawnPanel {
  const lower = line(
    [u, v],
    [u + length * 0.24, v],
    [
      [u + length * 0.3, v],
      [u + length * 0.3, v - kick],
      [u + length * 0.36, v - kick],
    ],
    [u + length * 0.68, v - kick],
    [
      [u + length * 0.74, v - kick],
      [u + length * 0.76, v],
      [u + length * 0.82, v],
    ],
    [u + length, v],
  );
  return {
    id,
    name,
    outline: outlineOf(
      lower,
      [...lower].reverse().map(([x, y]): Point => [x, y + height]),
    ),
    holes: [
      roundHole('hole-1', 'Hole', u + length * 0.12, v + height / 2, height * 0.16),
      roundHole('hole-2', 'Hole', u + length * 0.52, v - kick + height / 2, height * 0.16),
      drain('drain-1', u + length * 0.44, v - kick + 5),
      drain('drain-2', u + length * 0.6, v - kick + 5),
    ],
    mounts: [
      { id: 'body-1', name: 'Front body mount', at: [u + length * 0.06, v + height / 2] },
      { id: 'body-2', name: 'Middle body mount', at: [u + length * 0.4, v - kick + height / 2] },
      { id: 'spring', name: 'Spring mount', at: [u + length * 0.88, v + height / 2] },
    ],
    layers,
    curvature: 'single',
    structural: true,
    visible: false,
  };
}

/** A floor of half the car, seen from below, v = 0 in the middle of the car. */
export function floorHalf(
  id: string,
  name: string,
  { u, v }: Place,
  length: number,
  width: number,
  mounts: 'seat' | 'bolted' = 'seat',
): DrawnPanel {
  return {
    id,
    name,
    outline: outlineOf(
      line(
        [u, v],
        [u + length, v],
        [u + length, v + width - 40],
        [
          [u + length, v + width - 10],
          [u + length - 14, v + width],
          [u + length - 40, v + width],
        ],
        [u + 70, v + width],
        [u, v + width - 80],
      ),
    ),
    holes: [
      { id: 'drain-1', name: 'Floor drain', kind: 'drain', outline: circle([u + length * 0.2, v + width * 0.8], 16) },
      { id: 'drain-2', name: 'Floor drain', kind: 'drain', outline: circle([u + length * 0.86, v + width * 0.5], 16) },
    ],
    creases: ribs(5, 'u', u + 90, v + 50, u + length - 60, v + width - 60),
    flanges: [strip('inner', 'Flange to the tunnel', u + 20, v, u + length - 20, v + 20)],
    mounts:
      mounts === 'seat'
        ? [
            { id: 'seat-1', name: 'Seat mount', at: [u + length * 0.34, v + width * 0.3] },
            { id: 'seat-2', name: 'Seat mount', at: [u + length * 0.72, v + width * 0.3] },
          ]
        : [{ id: 'edge-1', name: 'Pan bolt', at: [u + length * 0.5, v + width - 30] }],
    layers: single(1.2),
    curvature: 'single',
    structural: true,
    visible: false,
    fixing: mounts === 'bolted' ? 'bolted' : 'welded',
  };
}

/** A cross member between the rails, drawn upright: v across the car. */
export function crossmember(id: string, name: string, { u, v }: Place, width: number, length: number): DrawnPanel {
  return {
    id,
    name,
    outline: box(u, v, u + width, v + length),
    holes: [
      roundHole('hole', 'Hole', u + width / 2, v + length / 2, width * 0.2),
      drain('drain', u + width * 0.35, v + length * 0.3, width * 0.25),
    ],
    mounts: [
      { id: 'end-l', name: 'Left end', at: [u + width / 2, v + length - 40] },
      { id: 'end-r', name: 'Right end', at: [u + width / 2, v + 40] },
    ],
    layers: [steel('outer', 'Channel', 2.0), steel('plate', 'Closing plate', 1.6)],
    curvature: 'single',
    structural: true,
    visible: false,
  };
}

/** A face with two lamps, a grille opening and holes: the front panel. */
export function frontPanel({ u, v }: Place, width: number, height: number, lamp: number): DrawnPanel {
  const middle = v + height * 0.58;
  return sheet('front-panel', 'Front panel', { u, v }, width, height, {
    radius: 46,
    holes: [
      opening('lamp-l', 'Lamp opening', circle([u + width * 0.14, middle], lamp)),
      opening('lamp-r', 'Lamp opening', circle([u + width * 0.86, middle], lamp)),
      window('grille', 'Grille opening', u + width * 0.27, v + height * 0.36, u + width * 0.73, v + height * 0.78, 24),
      roundHole('trim-1', 'Trim clip hole', u + width * 0.24, v + height * 0.2, 4),
    ],
    creases: [crease('chin', 'Chin crease', [u + 30, v + height * 0.22], [u + width - 30, v + height * 0.22])],
    curvature: 'double',
  });
}
