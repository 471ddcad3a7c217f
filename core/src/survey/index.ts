export * from './classes.ts';
export * from './reading.ts';
export * from './panelState.ts';
export { krige, distinctSamples, type KrigeInput, type KrigeResult } from './krige.ts';
export { prepareKriging } from './kriging.ts';
export { prepareNearKriging } from './krigeNear.ts';
export { empiricalVariogram, fitVariogram, correlation, type Sample, type VariogramModel } from './variogram.ts';
export {
  mapThickness,
  thicknessAt,
  CELL_CODES,
  FEWEST_READINGS,
  type ThicknessAt,
  type ThicknessMap,
  type CellCode,
} from './mapThickness.ts';
export { proposeZones } from './proposeZones.ts';
export {
  importReadings,
  importRows,
  MOST_ROWS,
  type Imported,
  type ImportedReading,
  type LineError,
} from './importReadings.ts';
export { READING_COLUMNS, readingCells, textCell, type KeptReading } from './exportReadings.ts';
export { normalCdf } from './normal.ts';
export { expectedBeyond, fillCensored, type CensoredSample } from './censored.ts';
export { nextReadings, type NextReading, type NextReadingsInput } from './nextReadings.ts';
export { gumbelPlot, pits, type Pits, type PitsInput } from './pits.ts';
export { pitRating, type PitRating } from './pitRating.ts';
export {
  corrosion,
  growthOfLoss,
  lookAgain,
  lookAtPits,
  CATEGORY_OF,
  type CorrosivityCategory,
  type LookAgain,
} from './corrosion.ts';
export {
  behindChance,
  openingOf,
  spread,
  spreadRatio,
  SPREAD_PRIOR,
  type Opening,
  type SpreadEvidence,
} from './spread.ts';
export { region, type Region, type RegionInput } from './region.ts';
export { regionOnPanel } from './regionOnPanel.ts';
export { rectifyPhoto, type PhotoPair, type RectifiedPhoto } from './rectifyPhoto.ts';
export { modelOfSheet } from './sheetModel.ts';
export { mapCoating, COATING_CODES, type CoatingMap, type CoatingCode } from './mapCoating.ts';
export type { Outlier, Raster } from './rasterMap.ts';
export { layerSamples, type LayerSamples } from './samples.ts';
export { showsMetal, withoutFormerCoating, type BarePlace } from './formerCoating.ts';
export { zoneClassFrom } from './zoneClass.ts';
export { SIGNS, signOf, type Sign, type SignId } from './signs.ts';
export { walkRound, walkCoverage, type PastId, type WalkPlace } from './walkRound.ts';
export { carriesLoad, checkLimits, isNearMount, rulesWith, usualLimits, type Limits } from './limits.ts';
export { zonePolygon, zoneDistances, mergeZones, subtractZone, splitZone } from './zoneShape.ts';
export { gaugeLine, type GaugeLine } from './gaugeLine.ts';
export { fillerReading, type FillerReading } from './fillerReading.ts';
export { isRim, isWork } from './work.ts';
