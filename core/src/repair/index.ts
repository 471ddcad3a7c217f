export { closedWork } from './closedWork.ts';
export { joints, type EdgeInput, type Joints, type JointsInput } from './joints.ts';
export { fastenersOf, type Fastener } from './fasteners.ts';
export { CLOSINGS, meanHours, together, type Closing, type Element, type JointFacts } from './joint.ts';
export { HEM_WELDS, hemWelds, jointWork } from './jointWork.ts';
export {
  closedJoints,
  closingNotes,
  closingsOf,
  isInSheet,
  LAP_PITCH,
  ownersOf,
  placeOf,
  schoolDefaults,
  type ClosedJoint,
  type JointChoice,
  type Schools,
} from './closings.ts';
export { straightRuns } from './cutRuns.ts';
export { lowEdge } from './lowEdge.ts';
export { cutAndLeft, usualMetalwork, type Metalwork } from './metalwork.ts';
export { lineWork } from './lineWork.ts';
export { panelJoints, pieceJoints, spotsOf, type PieceJoint } from './ofPanel.ts';
export { isSettingUp, isUndone, paceFor, phaseOf, WORK_KINDS, type Paces, type WorkKind } from './phases.ts';
export { COATED_FACES, minutesPerDm2, SHAPE_PACES, shaping, STRIPPED_AROUND } from './patchWork.ts';
export { PACES, ROUGHLY, type Minutes } from './paces.ts';
export { spotReach, tooLong, type Tools } from './tools.ts';
export { stretchesOf, type OutlineEdge, type Stretch } from './stretches.ts';
