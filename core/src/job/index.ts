export { isPast, standingOf, STEP_STATES, type StepStanding, type StepState, type StepWord } from './standing.ts';
export { STAGES, stagesOf, type Stage, type Staged, type StagedStep } from './stages.ts';
export { jobSteps } from './jobSteps.ts';
export { phaseOf } from '../repair/index.ts';
export { hoursByKind } from './makesSteps.ts';
export {
  jobDefaults,
  STEP_KINDS,
  type HeldShares,
  type JobHouse,
  type JobInput,
  type JobRepair,
  type JobStep,
  type Link,
  type OrderedPart,
  type OwnStep,
  type StepKind,
} from './types.ts';
