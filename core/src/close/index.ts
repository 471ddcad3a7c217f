export { coats, type CoatsInput, type CoatTimes } from './coats.ts';
export { dewPoint } from './dewPoint.ts';
export { exposure } from './exposure.ts';
export { order, type ClosingOrder, type ClosingStep } from './order.ts';
