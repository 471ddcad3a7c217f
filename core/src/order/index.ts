export { expectedIn, type Awaited } from './expected.ts';
export { landed, type LandedInput, type LandedLine } from './landed.ts';
export { ORDER_STATES, nextStates, isAwaited, isGone, isOver, isToCome, type OrderState } from './states.ts';
export { basket, type Basket, type BasketInput } from './basket.ts';
export { latest, type Latest, type LatestInput } from './latest.ts';
export {
  ARRIVAL_POINTS,
  ARRIVAL_OUTCOMES,
  adviseArrival,
  type ArrivalAdvice,
  type ArrivalInput,
  type ArrivalOutcome,
  type ArrivalPoint,
} from './arrival.ts';
export { makerRecords, type Delivery, type MakerRecord } from './makers.ts';
