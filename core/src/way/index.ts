export type { PartingLine } from './parting.ts';
export { letterOf, partingSeams } from './seams.ts';
export { waysIn, type WayInput, type WayPart, type WayResult, type WayRoute } from './waysIn.ts';
export { edgeMark, type EdgeMark } from './marks.ts';
