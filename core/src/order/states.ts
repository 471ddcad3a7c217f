/** The way of an ordered panel. */
export const ORDER_STATES = [
  'wanted',
  'ordered',
  'confirmed',
  'back-order',
  'arrived',
  'checked',
  'fitted',
  'returned',
] as const;
export type OrderState = (typeof ORDER_STATES)[number];

const NEXT: Readonly<Record<OrderState, readonly OrderState[]>> = {
  wanted: ['ordered'],
  ordered: ['confirmed', 'back-order', 'arrived'],
  confirmed: ['back-order', 'arrived'],
  'back-order': ['confirmed', 'arrived'],
  arrived: ['checked', 'returned'],
  checked: ['fitted', 'returned'],
  fitted: [],
  returned: ['ordered'],
};

/** To which states can a line go from here? */
export const nextStates = (state: OrderState): readonly OrderState[] => NEXT[state];

/** Is the panel still on its way? */
export const isAwaited = (state: OrderState): boolean => ['ordered', 'confirmed', 'back-order'].includes(state);
