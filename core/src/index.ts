export { Problem, refuse } from './problem.ts';
