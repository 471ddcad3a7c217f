import { anticlockwise, boxOf, minus, plus, type Point, type Ring } from '../geometry/index.ts';
import type { Cavity, Crease, Flange, Hole, Layer, Meeting, Mount, Panel, Seam, View } from './types.ts';

/** A panel as it is drawn: everything in the coordinates of its view (mm, u right, v up). */
export interface DrawnPanel {
  id: string;
  name: string;
  outline: Ring;
  holes?: readonly Hole[];
  creases?: readonly Crease[];
  flanges?: readonly Flange[];
  mounts?: readonly Mount[];
  leaded?: readonly Flange[];
  /** Cross-section by layer, [depth inwards, v from the panel's lower edge], mm. */
  section?: Panel['section'];
  layers: readonly Layer[];
  curvature: Panel['curvature'];
  structural?: boolean;
  fixing?: Panel['fixing'];
  visible?: boolean;
}

/** A seam as it is drawn: the same joint on two panels, each line in the view in which its panel is drawn. */
export interface DrawnSeam {
  id: string;
  name: string;
  kind: Seam['kind'];
  pitch: number;
  sides: readonly [DrawnSeamSide, DrawnSeamSide];
}

export interface DrawnSeamSide {
  panel: string;
  line: readonly Point[];
}

export interface DrawnView {
  view: View;
  /** Drawn once, in the middle of the car or not mirrored. */
  centre?: readonly DrawnPanel[];
  /** Drawn as the left side; ids and names get their side from `sided`. */
  left?: readonly DrawnPanel[];
  /** The mirrored copy goes into this view… */
  rightView?: View;
  /** …mirrored across this axis at this coordinate of the left drawing. */
  mirror?: { axis: 'u' | 'v'; at: number };
  /** In which direction the width of the car lies, where panels in its middle are drawn beside each other; u when left out. */
  across?: 'u' | 'v';
}

export const steel = (id: string, name: string, thickness: number): Layer => ({
  id,
  name,
  thickness,
  material: 'steel',
});
export const aluminium = (id: string, name: string, thickness: number): Layer => ({
  id,
  name,
  thickness,
  material: 'aluminium',
});
export const single = (thickness: number): Layer[] => [steel('outer', 'Single sheet', thickness)];

/** All panels of a drawn view, moved to their own coordinates, right-hand copies mirrored. */
export function panelsOf(drawn: DrawnView): Panel[] {
  const centre = (drawn.centre ?? []).map((panel) => settle(panel, drawn.view, 'centre'));
  const lefts = drawn.left ?? [];
  const { mirror } = drawn;
  const left = lefts.map((panel) => settle(withSide(panel, 'left'), drawn.view, 'left'));
  if (!mirror) return [...centre, ...left];
  const right = lefts.map((panel) => {
    const flipped = mirrored(withSide(panel, 'right'), mirror);
    return {
      ...settle(flipped, drawn.rightView ?? drawn.view, 'right'),
      mirrorOf: { panel: `${panel.id}-l`, axis: mirror.axis },
    };
  });
  return [...centre, ...left, ...right];
}

function withSide(panel: DrawnPanel, side: 'left' | 'right'): DrawnPanel {
  return { ...panel, id: `${panel.id}-${side[0]}`, name: `${panel.name}, ${side}` };
}

function mirrored(panel: DrawnPanel, { axis, at }: { axis: 'u' | 'v'; at: number }): DrawnPanel {
  return mapPoints(panel, ([u, v]) => (axis === 'u' ? [2 * at - u, v] : [u, 2 * at - v]));
}

function mapPoints(panel: DrawnPanel, move: (p: Point) => Point): DrawnPanel {
  const ring = (points: Ring) => anticlockwise(points.map(move));
  return {
    ...panel,
    outline: ring(panel.outline),
    holes: (panel.holes ?? []).map((hole) => ({ ...hole, outline: ring(hole.outline) })),
    creases: (panel.creases ?? []).map((crease) => ({ ...crease, line: crease.line.map(move) })),
    flanges: (panel.flanges ?? []).map((flange) => ({ ...flange, outline: ring(flange.outline) })),
    mounts: (panel.mounts ?? []).map((mount) => ({ ...mount, at: move(mount.at) })),
    leaded: (panel.leaded ?? []).map((area) => ({ ...area, outline: ring(area.outline) })),
  };
}

/** Moves a drawn panel so that its own origin is its lower left corner, and remembers where that is on the body. */
function settle(drawn: DrawnPanel, view: View, side: Panel['side']): Panel {
  const box = boxOf(drawn.outline);
  const origin: Point = [box.minU, box.minV];
  const moved = mapPoints(drawn, (p) => minus(p, origin));
  return {
    id: drawn.id,
    name: drawn.name,
    side,
    view: view.id,
    outline: moved.outline,
    holes: moved.holes ?? [],
    creases: moved.creases ?? [],
    flanges: moved.flanges ?? [],
    mounts: moved.mounts ?? [],
    ...(moved.leaded?.length ? { leaded: moved.leaded } : {}),
    ...(drawn.section ? { section: drawn.section } : {}),
    layers: drawn.layers,
    curvature: drawn.curvature,
    structural: drawn.structural ?? false,
    fixing: drawn.fixing ?? 'welded',
    visible: drawn.visible ?? true,
    placement: plus(view.at, origin),
  };
}

/** Drawn seams in the coordinates of the panels that they join; once for each side of the car where the panels have sides. */
export function seamsOf(seams: readonly DrawnSeam[], views: readonly DrawnView[], panels: readonly Panel[]): Seam[] {
  return seams.flatMap((seam) => {
    const paired = seam.sides.some((side) => !find(panels, side.panel));
    return (paired ? (['left', 'right'] as const) : (['centre'] as const)).map((side) => ({
      id: side === 'centre' ? seam.id : `${seam.id}-${side[0]}`,
      name: side === 'centre' ? seam.name : `${seam.name}, ${side}`,
      kind: seam.kind,
      pitch: seam.pitch,
      sides: seam.sides.map((drawn) => ownLine(drawn, side, views, panels)) as unknown as Seam['sides'],
    }));
  });
}

function ownLine(
  drawn: DrawnSeamSide,
  side: Panel['side'],
  views: readonly DrawnView[],
  panels: readonly Panel[],
): Seam['sides'][0] {
  const panel = find(panels, drawn.panel) ?? find(panels, `${drawn.panel}-${side[0]}`);
  const view = views.find((candidate) =>
    [...(candidate.centre ?? []), ...(candidate.left ?? [])].some((own) => own.id === drawn.panel),
  );
  if (!panel || !view) throw new Error(`No panel ${drawn.panel} is drawn`);
  const right = side === 'right' && view.mirror;
  // A panel in the middle of the car has both joints itself: the right one on the other side of its own middle.
  if (side === 'right' && panel.side === 'centre' && !right) {
    const own = boxOf(panel.outline);
    const line = drawn.line.map((p) => minus(plus(p, view.view.at), panel.placement));
    return {
      panel: panel.id,
      line: line.map(([u, v]): Point => (view.across === 'v' ? [u, own.maxV - v] : [own.maxU - u, v])),
    };
  }
  const origin = (right ? (view.rightView ?? view.view) : view.view).at;
  const flip = ([u, v]: Point): Point =>
    !right ? [u, v] : right.axis === 'u' ? [2 * right.at - u, v] : [u, 2 * right.at - v];
  return { panel: panel.id, line: drawn.line.map((p) => minus(plus(flip(p), origin), panel.placement)) };
}

function find(panels: readonly Panel[], id: string): Panel | undefined {
  return panels.find((panel) => panel.id === id);
}

/** Panels by name without their side, each with those that lie at it. */
export type Beside = Readonly<Record<string, readonly string[]>>;

/** Who lies at whom, on both sides of the car where the panels have sides. */
export function meetingsOf(panels: readonly Panel[], { joined, gaps }: { joined: Beside; gaps: Beside }): Meeting[] {
  const of = (name: string, side: string) => find(panels, name) ?? find(panels, `${name}-${side}`);
  const all = (beside: Beside, gap: boolean) =>
    Object.entries(beside).flatMap(([name, others]) =>
      others.flatMap((other) =>
        ['l', 'r'].map((side): Meeting => {
          const [a, b] = [of(name, side), of(other, side)];
          if (!a || !b) throw new Error(`No panel ${a ? other : name} is drawn`);
          return { panels: [a.id, b.id], gap };
        }),
      ),
    );
  const seen = new Set<string>();
  return [...all(joined, false), ...all(gaps, true)].filter(({ panels: pair }) => {
    const key = [...pair].sort().join();
    return !seen.has(key) && seen.add(key);
  });
}

/** The same cavity on both sides of the car. */
export function bothSides(cavity: Cavity): Cavity[] {
  return (['l', 'r'] as const).map((side) => ({
    ...cavity,
    id: `${cavity.id}-${side}`,
    name: `${cavity.name}, ${side === 'l' ? 'left' : 'right'}`,
    walls: cavity.walls.map((wall) => ({ ...wall, panel: `${wall.panel}-${side}` })),
  }));
}
