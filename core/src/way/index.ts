export { waysIn, type PartingLine, type WayInput, type WayPart, type WayResult, type WayRoute } from './waysIn.ts';
