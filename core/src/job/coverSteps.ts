import { coversOf, type CoatKind, type CoatSystems } from '../close/index.ts';
import { DRIES, type Known, type Maker } from './makesSteps.ts';
import type { JobRepair } from './types.ts';

/** From primer to what one sees: surfacer, blocked flat; and paint where this shop puts it on. */
export function surfaced(
  { add, link }: Maker,
  repair: JobRepair,
  { house, paints }: Pick<Known, 'house' | 'paints'>,
): void {
  add('surface', 'surfacer, blocked flat over a guide coat', house.surface, {
    path: 'close',
    dry: true,
    after: [
      link(['fill'], 'It shows what the block has missed: nothing is filled after it.'),
      link(['seal'], 'What is sealed is painted over.'),
      link(['cure'], DRIES),
    ],
  });
  if (!paints) return;
  add('paint', 'paint it', house.paint, {
    path: 'close',
    dry: true,
    share: repair.coated?.painted ?? 0,
    after: [link(['surface'], DRIES, { lag: house.cure })],
  });
  add('harden', 'the paint hardens', house.harden, {
    path: 'close',
    waits: true,
    after: [link(['paint'], 'What is soft is marked by the first hand that touches it.')],
  });
}

/** `door`, `boot lid`, `wing` → door, boot lid and wing. */
export const inWords = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** Coats over the primer, and the sides of the metal, as a restorer says them. */
const COVERS: Readonly<Record<CoatKind, string>> = {
  converter: 'converter',
  epoxy: 'primer',
  zinc: 'zinc primer',
  sealer: 'sealer',
  chip: 'stone chip',
  underbody: 'underbody coat',
  bed: 'bed coat',
  wax: 'wax',
  paint: 'paint',
};
const SIDES = { outside: 'outside', hollow: 'where it is hollow', back: 'behind' } as const;

/** What goes over the primer of a panel at last, and where; and whether it has to harden: wax stays soft. Null where nothing does. */
export function lastCoats(
  { visible, sides }: { visible: boolean; sides: readonly (keyof typeof SIDES)[] },
  systems: CoatSystems,
): { title: string; hardens: boolean } | null {
  const where = new Map<CoatKind, string[]>();
  for (const kind of (['outside', 'hollow', 'back'] as const).filter((side) => sides.includes(side)))
    for (const coat of new Set(coversOf({ kind, visible }, systems)))
      where.set(coat, [...(where.get(coat) ?? []), SIDES[kind]]);
  if (where.size === 0) return null;
  return {
    title: inWords([...where].map(([coat, sides]) => `${COVERS[coat]} ${inWords(sides)}`)),
    hardens: [...where.keys()].some((coat) => coat !== 'wax'),
  };
}
