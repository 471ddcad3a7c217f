import type { Panel } from '@aspecta/core/body';

/** “ on the inner sill”: which sheet of a panel, where there is more than one to tell apart. */
export function onSheet({ layers }: Pick<Panel, 'layers'>, layer: string): string {
  const named = layers.length > 1 ? layers.find(({ id }) => id === layer) : undefined;
  return named ? ` on the ${named.name.toLowerCase()}` : '';
}
