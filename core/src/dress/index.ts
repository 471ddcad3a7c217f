export {
  DRESS_ACTS,
  DRESS_LIMITS,
  dressRound,
  type DressAct,
  type DressReading,
  type DressResult,
  type Fill,
} from './round.ts';
