export { joints, type EdgeInput, type Joints, type JointsInput } from './joints.ts';
export { stretchesOf, type OutlineEdge, type Stretch } from './stretches.ts';
