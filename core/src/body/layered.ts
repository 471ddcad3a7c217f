/** Sheets of a panel, the outermost first. */
interface Sheets {
  layers: readonly { id: string }[];
}

const placesOf = ({ layers }: Sheets, own: readonly string[]): number[] =>
  own.map((id) => layers.findIndex((layer) => layer.id === id)).filter((index) => index >= 0);

/** How far behind the outermost sheet the foremost of these layers lies. */
const depthOf = (panel: Sheets, own: readonly string[]): number => {
  const at = placesOf(panel, own);
  return at.length === 0 ? 0 : Math.min(...at);
};

/** The same of the one that lies deepest. */
const deepestOf = (panel: Sheets, own: readonly string[]): number => Math.max(0, ...placesOf(panel, own));

/**
 * How many sheets of the panel lie before this one? None before the outermost, nor before one that it does not have.
 *
 * @example
 * layerDepth({ layers: [{ id: 'o' }, { id: 'i' }] }, 'i') // → 1
 */
export const layerDepth = (panel: Sheets, layer: string | undefined): number =>
  layer === undefined ? 0 : depthOf(panel, [layer]);

/**
 * Which sheet of a panel is meant? Of several sheets on one another the outermost bears the panel's name.
 *
 * @param own ids of the layers that work lies on; none where it is not known: the panel itself
 * @example
 * pieceName({ name: 'Sill, left', layers: [{ id: 'o', name: 'Outer sill' }, { id: 'i', name: 'Inner sill' }] }, ['i']) // → "Sill, left, inner sill"
 */
export function pieceName(
  panel: { name: string; layers: readonly { id: string; name: string }[] },
  own: readonly string[],
): string {
  const inner = depthOf(panel, own);
  if (inner === 0) return panel.name;
  const names = panel.layers.filter(({ id }) => own.includes(id)).map(({ name }) => name.toLowerCase());
  return [panel.name, names.join(' and ')].join(', ');
}

/**
 * Is the work on these layers seen when it is done? Only the outermost sheet of a panel that is seen is.
 *
 * @example
 * isSeen({ visible: true, layers: [{ id: 'o' }, { id: 'i' }] }, ['i']) // → false
 */
export const isSeen = (
  panel: { visible: boolean; layers: readonly { id: string }[] },
  own: readonly string[],
): boolean => panel.visible && depthOf(panel, own) === 0;

/** From which side work is done, and through which sheets. */
export interface WayToSheet {
  from: 'outside' | 'inside';
  /** Names of the sheets that are open first. */
  through: string[];
}

/**
 * How are these layers of a panel reached? From whichever side has fewer sheets in the way: the innermost one turns its
 * back to the cabin, the boot or the ground and is worked on from there, through no other sheet.
 *
 * Source: common practice, no published source.
 *
 * @example
 * wayToSheet({ layers: [{ id: 'o', name: 'Outer sill' }, { id: 'm', name: 'Membrane' }, { id: 'i', name: 'Inner sill' }] }, ['m'])
 * // → { from: "outside", through: ["Outer sill"] }
 */
export function wayToSheet(
  panel: { layers: readonly { id: string; name: string }[] },
  own: readonly string[],
): WayToSheet {
  const names = panel.layers.map(({ name }) => name);
  const [front, back] = [names.slice(0, depthOf(panel, own)), names.slice(deepestOf(panel, own) + 1)];
  return back.length < front.length ? { from: 'inside', through: back } : { from: 'outside', through: front };
}

/**
 * Which sheet is bought for work on these layers? The foremost of them; null where that is the panel itself.
 *
 * @example
 * boughtSheet({ layers: [{ id: 'o' }, { id: 'i' }] }, ['i']) // → "i"
 */
export function boughtSheet(panel: { layers: readonly { id: string }[] }, own: readonly string[]): string | null {
  const depth = depthOf(panel, own);
  return depth === 0 ? null : panel.layers[depth]!.id;
}

/**
 * Does work on one set of layers of a panel lie behind work on another?
 *
 * @example
 * liesBehind({ layers: [{ id: 'o' }, { id: 'i' }] }, ['i'], ['o']) // → true
 */
export const liesBehind = (
  panel: { layers: readonly { id: string }[] },
  inner: readonly string[],
  outer: readonly string[],
): boolean => depthOf(panel, inner) > depthOf(panel, outer);
