export { lineOnMap } from './onMap.ts';
export { cutLine, cutRules, type CutLine, type CutPanel, type CutRules, type CutRun } from './line.ts';
export { cutOffsets, chooseDatums, footOn, type Datum, type CornerOffsets } from './offsets.ts';
