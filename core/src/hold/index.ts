export { register, type Place, type Registration } from './register.ts';
export { tapeNetwork, BLUNDER, type AdjustedNetwork, type NetworkPoint, type Tape } from './tapeNetwork.ts';
export { gaps, type GapFit, type GapReading, type Mount } from './gaps.ts';
export { braces, type BraceCheck, type BraceInput } from './braces.ts';
export { design, type Design, type DesignInput } from './design.ts';
export { square, type Square, type SquareInput } from './square.ts';
export { tilt, type Tilt, type TiltInput } from './tilt.ts';
export { apart, inPlane, type InPlane } from './inPlane.ts';
export { TAPE_SD, tapesOf } from './tapesOf.ts';
export {
  heldFigure,
  MAY_MOVE,
  movedPoints,
  type HeldFigure,
  type MovedPoint,
  type OpenFigure,
  type TakenTape,
} from './figure.ts';
export {
  OFF_CORNER,
  proposeBraces,
  PUSH,
  USUAL_TUBE,
  type BraceProposal,
  type ProposedBrace,
  type Tube,
} from './propose.ts';
export { gapPlaces, shimsFor, USUAL_GAP, type GapPlace } from './hung.ts';
