export * from './flank.ts';
export * from './frame.ts';
export * from './parts.ts';
export * from './shapes.ts';
