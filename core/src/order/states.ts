/** The way of an ordered panel. */
export const ORDER_STATES = [
  'wanted',
  'ordered',
  'confirmed',
  'back-order',
  'arrived',
  'checked',
  'kept',
  'fitted',
  'returned',
  'withdrawn',
] as const;
export type OrderState = (typeof ORDER_STATES)[number];

const NEXT: Readonly<Record<OrderState, readonly OrderState[]>> = {
  wanted: ['ordered', 'withdrawn'],
  ordered: ['confirmed', 'back-order', 'arrived', 'withdrawn'],
  confirmed: ['back-order', 'arrived', 'withdrawn'],
  'back-order': ['confirmed', 'arrived', 'withdrawn'],
  arrived: ['checked', 'kept', 'returned'],
  checked: ['fitted', 'kept', 'returned'],
  kept: [],
  fitted: [],
  returned: ['ordered'],
  withdrawn: ['wanted'],
};

/** To which states can a line go from here? */
export const nextStates = (state: OrderState): readonly OrderState[] => NEXT[state];

/** Is nothing more to come of this line? */
export const isOver = (state: OrderState): boolean => ['fitted', 'kept', 'returned', 'withdrawn'].includes(state);

/** Does the line no longer serve what it was ordered for: withdrawn, sent back, or kept for its sheet? */
export const isGone = (state: OrderState): boolean => ['kept', 'returned', 'withdrawn'].includes(state);

/** Is it not yet here and looked at: wanted, on its way, or arrived and not checked? */
export const isToCome = (state: OrderState): boolean => state === 'wanted' || state === 'arrived' || isAwaited(state);

/** Is the panel still on its way? */
export const isAwaited = (state: OrderState): boolean => ['ordered', 'confirmed', 'back-order'].includes(state);
