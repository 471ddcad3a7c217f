export { Problem, refuse } from './problem.ts';
export { uniforms } from './random.ts';
export type { Watch } from './watch.ts';
