import type { ZoneClass } from '@aspecta/core/survey';

/** What a zone of a typed size is taken for at first. */
export type SizedKind = Extract<ZoneClass, 'hole' | 'through'>;
