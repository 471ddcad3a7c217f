export {
  DRESS_ACTS,
  DRESS_LIMITS,
  dressRound,
  type DressAct,
  type DressReading,
  type DressResult,
  type Fill,
} from './round.ts';
export { fillLayers, fillStages, type FillProduct, type FillStage } from './fillStages.ts';
