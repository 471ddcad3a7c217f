export * from './classes.ts';
export * from './reading.ts';
export * from './panelState.ts';
export { krige, distinctSamples, prepareKriging, type KrigeInput, type KrigeResult } from './krige.ts';
export { prepareNearKriging } from './krigeNear.ts';
export { empiricalVariogram, fitVariogram, correlation, type Sample, type VariogramModel } from './variogram.ts';
export {
  mapThickness,
  thicknessAt,
  CELL_CODES,
  FEWEST_READINGS,
  type ThicknessMap,
  type CellCode,
} from './mapThickness.ts';
export { proposeZones } from './proposeZones.ts';
export { importReadings, MOST_ROWS, type LineError } from './importReadings.ts';
export { normalCdf } from './normal.ts';
