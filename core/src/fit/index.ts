export { trim, type Trim, type TrimInput } from './trim.ts';
export { fitPlaces, isOpen, type FitPlace } from './places.ts';
export {
  fitRound,
  wantedGap,
  type FitCure,
  type FitInput,
  type FitReading,
  type FitRound,
  type JointFit,
  type NeighbourGap,
} from './round.ts';
