/** Kinds of work into which all that is counted falls; a shop has a pace of its own in each. */
export const WORK_KINDS = ['strip', 'open', 'make', 'fit', 'weld', 'dress', 'treat', 'seal', 'prime'] as const;
export type WorkKind = (typeof WORK_KINDS)[number];
/** How many of a shop's hours a counted hour of a kind takes; 1 where nothing is said. */
export type Paces = Readonly<Partial<Record<WorkKind, number>>>;

/** To which step counted work belongs, by the beginning of its name; what shapes and trims a piece comes before it is fitted. */
const PHASES: readonly (readonly [string, WorkKind])[] = [
  ['Strip around', 'strip'],
  ['Strip to clean', 'strip'],
  ['Mark and cut out', 'open'],
  ['Find welds', 'open'],
  ['Drill out', 'open'],
  ['Part the third', 'open'],
  ['Melt out', 'open'],
  ['Grind hems', 'open'],
  ['Unbolt and bolt', 'weld'],
  ['Undo and do up', 'weld'],
  ['Clean and straighten', 'make'],
  ['Clean and prime', 'treat'],
  ['Template', 'make'],
  ['Shape', 'make'],
  ['Turn', 'make'],
  ['Cut the part', 'make'],
  ['Blend', 'make'],
  ['Join the pieces', 'make'],
  ['Planish the seams', 'make'],
  ['Set the edge', 'make'],
  ['Trial fits', 'fit'],
  ['Fit, adjust', 'fit'],
  ['Tack and stitch', 'weld'],
  ['Plug', 'weld'],
  ['Spot weld', 'weld'],
  ['Braze', 'weld'],
  ['Fold hems', 'weld'],
  ['Small welds', 'weld'],
  ['Set rivets', 'weld'],
  ['Set up', 'weld'],
  ['Dress', 'dress'],
  ['Metal-finish', 'dress'],
  ['Raise and planish', 'dress'],
  ['Fill pits', 'dress'],
  ['Convert', 'treat'],
  ['Neutralise', 'treat'],
  ['Make ready for blasting', 'treat'],
  ['Blast', 'treat'],
  ['Take off white', 'treat'],
  ['Seal the', 'seal'],
  ['Coat', 'prime'],
  ['Seal and coat', 'prime'],
];

/** The step to which a piece of counted work belongs; null for work that no step knows. */
export const phaseOf = (name: string): WorkKind | null =>
  PHASES.find(([beginning]) => name.startsWith(beginning))?.[1] ?? null;

/** How many hours of the shop one counted hour of this work takes. */
export const paceFor = (name: string, paces: Paces = {}): number => paces[phaseOf(name) ?? 'fit'] ?? 1;

/** Laying tools ready and clearing away: with the welding, where anything is welded. */
export const isSettingUp = (name: string): boolean => name.startsWith('Set up');

/** Bolts: half of that work is done when the joint is opened. */
export const isUndone = (name: string): boolean => name.startsWith('Undo') || name.startsWith('Unbolt');
