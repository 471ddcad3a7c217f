export { landed, type LandedInput, type LandedLine } from './landed.ts';
export { ORDER_STATES, nextStates, isAwaited, isOver, isToCome, type OrderState } from './states.ts';
export { basket, type Basket, type BasketInput } from './basket.ts';
export { latest, type Latest, type LatestInput } from './latest.ts';
