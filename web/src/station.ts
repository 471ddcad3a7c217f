/** What a page of the house works on. */
export type Scope = 'shop' | 'car' | 'panel' | 'repair';

/** A page below a station that is no station of its own. */
export interface SubPage {
  path: string;
  title: string;
  page: () => Promise<unknown>;
}

/**
 * One station of the page; `stations.ts` lists them in the order of the work. Router, navigation, the
 * line of stations, the help with the keys and the tests of all pages go through that list.
 */
export interface Station extends SubPage {
  /** As the server calls it, where it says how it stands with a car. */
  name: string;
  /** The question that it answers. */
  question: string;
  scope: Scope;
  under?: readonly SubPage[];
  /** Keys of this station beside those of every sheet. */
  keys?: readonly (readonly [key: string, what: string])[];
  /** Shown in the bar at the top. */
  inBar?: boolean;
  /** Shown on the line of stations of a car. */
  onLine?: boolean;
  /** May be opened without an account. */
  open?: boolean;
  /** Not for customers. */
  inside?: boolean;
}
