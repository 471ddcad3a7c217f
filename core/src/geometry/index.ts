export * from './point.ts';
export * from './ring.ts';
export * from './clip.ts';
export * from './hull.ts';
export * from './minimumWidth.ts';
export * from './simplify.ts';
export * from './path.ts';
export * from './distance.ts';
