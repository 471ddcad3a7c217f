import { firstHouse } from './001-first-house.ts';
import { deepSurvey } from './002-deep-survey.ts';
import { overlay } from './003-overlay.ts';
import { backAgain } from './004-back-again.ts';

/** All migrations, oldest first. Add a file with the next number; never change one that has been released. */
export const migrations = [...firstHouse, ...deepSurvey, ...overlay, ...backAgain];
