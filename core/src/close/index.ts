export { coats, type CoatsInput, type CoatTimes } from './coats.ts';
export { dewPoint } from './dewPoint.ts';
export { exposure } from './exposure.ts';
export { order, type ClosingOrder, type ClosingStep } from './order.ts';
export { facesOf, type Face, type OpenedRepair } from './faces.ts';
export { proof, type FaceState, type Proof } from './proof.ts';
export { COAT_KINDS, litres, protects, usualProducts, type CoatKind, type CoatProduct } from './products.ts';
export {
  CANS,
  COATED_SIDES,
  coatNeeds,
  coversOf,
  sideOf,
  systemOf,
  usualSystems,
  type CoatedSide,
  type CoatNeed,
  type CoatSystems,
  type SystemCoat,
} from './system.ts';
