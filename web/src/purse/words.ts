import type { Every } from '@aspecta/core/plan';

/** Before the day on which it begins. */
export const EVERY_WORDS: Readonly<Record<Every, string>> = {
  once: 'once, on',
  week: 'each week from',
  fortnight: 'each second week from',
  month: 'each month from',
};
export const EVERY_CHOICES = [
  { value: 'once', label: 'Once' },
  { value: 'week', label: 'Each week' },
  { value: 'fortnight', label: 'Each second week' },
  { value: 'month', label: 'Each month' },
] as const;
