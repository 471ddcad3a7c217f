import { steps } from '../step.ts';

/* By what something that happened on a car can be undone. */
export const undo = steps(30, [['AddUndoToEvent', 'ALTER TABLE event ADD COLUMN IF NOT EXISTS `undo` longtext NULL']]);
