/** Sheets of a panel, the outermost first. */
interface Sheets {
  layers: readonly { id: string }[];
}

/** How far behind the outermost sheet the foremost of these layers lies. */
const depthOf = ({ layers }: Sheets, own: readonly string[]): number => {
  const at = own.map((id) => layers.findIndex((layer) => layer.id === id)).filter((index) => index >= 0);
  return at.length === 0 ? 0 : Math.min(...at);
};

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

/**
 * Names of the sheets of a panel that lie before these layers and come off, or are opened, to get at them.
 *
 * @example
 * sheetsBefore({ layers: [{ id: 'o', name: 'Outer sill' }, { id: 'i', name: 'Inner sill' }] }, ['i']) // → ["Outer sill"]
 */
export const sheetsBefore = (
  panel: { layers: readonly { id: string; name: string }[] },
  own: readonly string[],
): string[] => panel.layers.slice(0, depthOf(panel, own)).map(({ name }) => name);

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
