export { lineOnMap } from './onMap.ts';
export { cutLine, type CutLine, type CutRun } from './line.ts';
export { cutRules, type CutPanel, type CutRules } from './rules.ts';
export { COST } from './costField.ts';
export { enclosing, type Enclosing, type EnclosingInput } from './enclosing.ts';
export { cutOffsets, chooseDatums, footOn, type Datum, type CornerOffsets } from './offsets.ts';
export { passage, type Passage, type PassageInput } from './passage.ts';
export { split, type Split, type SplitInput } from './split.ts';
export { drillOut, type DrillOut, type DrillSeam } from './drillOut.ts';
