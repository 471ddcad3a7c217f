import { steps } from '../step.ts';

/* What the corners of a line are held to, which a person has laid. */
export const pins = steps(31, [['AddPinsToCut', 'ALTER TABLE cut ADD COLUMN IF NOT EXISTS pins longtext NULL']]);
