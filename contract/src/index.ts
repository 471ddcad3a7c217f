export * from './problem.ts';
