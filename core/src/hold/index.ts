export { register, type Place, type Registration } from './register.ts';
export { tapeNetwork, BLUNDER, type AdjustedNetwork, type NetworkPoint, type Tape } from './tapeNetwork.ts';
export { gaps, type GapFit, type GapReading, type Mount } from './gaps.ts';
export { braces, type BraceCheck, type BraceInput } from './braces.ts';
export { design, type Design, type DesignInput } from './design.ts';
export { square, type Square, type SquareInput } from './square.ts';
