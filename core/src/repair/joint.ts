import type { Minutes } from './paces.ts';
import { paceFor, type Paces } from './phases.ts';

/** One kind of work in an option: how much of it, and how long a piece of it takes. */
export interface Element {
  name: string;
  count: number;
  unit: string;
  /** Minutes for one unit: least, usual, most. */
  minutes: Minutes;
  /** Rule of thumb behind the minutes. */
  rule: string;
}

/** How a joint is closed again; how it was built is its kind. */
export const CLOSINGS = ['butt', 'lap', 'joggle', 'plug', 'spot', 'braze', 'hem', 'bolt', 'rivet', 'make'] as const;
export type Closing = (typeof CLOSINGS)[number];

/** What is known of a joint: which it is, how long, how it is fastened, and how it is closed again. Lengths mm. */
export interface JointFacts {
  /** As built: cut, spot, hem, bolt … */
  kind: string;
  length: number;
  /** That hold it now. */
  fasteners: number;
  /** Sheets that are joined there, this one among them. */
  sheets?: number | undefined;
  /** Its fasteners have to be found first. */
  hidden?: boolean | undefined;
  /** As it was built, where it is left out. */
  closing?: Closing | undefined;
  /** Plugs, spots, bolts or rivets with which it is closed; as many as hold it now where it is left out. */
  welds?: number | undefined;
}

/** The same work counted once: counts of one name, unit and pace added up, in the order in which they come first. */
export function together(elements: readonly Element[]): Element[] {
  const sums = new Map<string, Element>();
  for (const element of elements) {
    const key = `${element.name} ${element.unit} ${element.minutes.join(' ')}`;
    const known = sums.get(key);
    sums.set(key, known ? { ...known, count: known.count + element.count } : element);
  }
  return [...sums.values()].filter(({ count }) => count > 0);
}

/** Mean hours of counted work, by the PERT mean of least, usual and most (Malcolm et al. 1959), at the shop's own paces. */
export const meanHours = (elements: readonly Element[], paces?: Paces): number =>
  elements.reduce(
    (sum, { name, count, minutes: [least, usual, most] }) =>
      sum + (count * paceFor(name, paces) * (least + 4 * usual + most)) / 360,
    0,
  );
