import { steps } from '../step.ts';

/* What waits for a step of one's own, whether it passes by the clock, and whether it takes dry weather. */
export const ownStep = steps(28, [
  [
    'AddOrderToOwnStep',
    'ALTER TABLE own_step ADD COLUMN IF NOT EXISTS `before` longtext NULL, ADD COLUMN IF NOT EXISTS waits tinyint NULL, ADD COLUMN IF NOT EXISTS dry tinyint NULL',
  ],
]);
