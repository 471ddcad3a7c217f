export { planWelds } from './planWelds.ts';
export { compareWelds, STRATEGIES, type StrategyPlan } from './compareWelds.ts';
export { buildUp, MOST_BY_BEAD, type BuildUp, type BuildUpInput } from './buildUp.ts';
export { planRepair } from './planRepair.ts';
export {
  isHot,
  STEP_KINDS,
  type HandProcess,
  type Holding,
  type RepairWeldInput,
  type StepKind,
  type Strategy,
  type WeldInput,
  type WeldJoint,
  type WeldPlan,
  type WeldSeam,
  type WeldStep,
  type WeldSupplies,
} from './planTypes.ts';
export { weldSupplies } from './supplies.ts';
export { weldNames } from './weldNames.ts';
export { weldId } from './seamWelds.ts';
export { whereOnJoint, type OnJoint } from './whereOnJoint.ts';
export { lineSource, plateSource, type LineSourceInput } from './lineSource.ts';
export { movingSource, scaledK0, type MovingSourceInput } from './movingSource.ts';
export { field, type Field, type FieldInput, type FieldStitch } from './field.ts';
export { celsiusAt, heatReplay, TENTHS, type HeatReplay, type HeatReplayInput } from './heatReplay.ts';
export { distortion, type Distortion, type DistortionInput } from './distortion.ts';
export { inTurn, type InTurn, type TimedStep, type Turn, type WeldSide } from './inTurn.ts';
export { plugs, type Plugs } from './plugs.ts';
export { pull, type PullInput, type SeamPull } from './pull.ts';
export {
  settings,
  heatInput,
  afterWeld,
  cooling,
  EFFICIENCY,
  type ArcProcess,
  type Process,
  type Position,
  type WeldSettings,
} from './settings.ts';
export { tacks, TACK_PITCH, type Tack } from './tacks.ts';
export { MATERIALS, mildSteel, STILL_AIR_FILM, type SheetMaterial, type WeldMaterial } from './material.ts';
