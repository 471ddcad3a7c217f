export { planWelds } from './planWelds.ts';
export type { Strategy, WeldInput, WeldPlan, WeldSeam, WeldStep } from './planTypes.ts';
export { lineSource, plateSource, type LineSourceInput } from './lineSource.ts';
export { movingSource, scaledK0, type MovingSourceInput } from './movingSource.ts';
export { field, type Field, type FieldInput, type FieldStitch } from './field.ts';
export { distortion, type Distortion, type DistortionInput } from './distortion.ts';
export { plugs, type Plugs } from './plugs.ts';
export {
  settings,
  heatInput,
  cooling,
  EFFICIENCY,
  type ArcProcess,
  type Process,
  type Position,
  type WeldSettings,
} from './settings.ts';
export { tacks, TACK_PITCH, type Tack } from './tacks.ts';
export { MATERIALS, mildSteel, STILL_AIR_FILM, type SheetMaterial, type WeldMaterial } from './material.ts';
