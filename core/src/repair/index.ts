export { joints, type EdgeInput, type Joints, type JointsInput } from './joints.ts';
export { fastenersOf, type Fastener } from './fasteners.ts';
export { jointWork, meanHours, type Element, type JointFacts } from './jointWork.ts';
export { lineWork } from './lineWork.ts';
export { panelJoints, pieceJoints, spotsOf, type PieceJoint } from './ofPanel.ts';
export { PACES, type Minutes } from './paces.ts';
export { stretchesOf, type OutlineEdge, type Stretch } from './stretches.ts';
