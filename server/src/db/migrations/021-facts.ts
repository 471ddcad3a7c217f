import { steps } from '../step.ts';

/* What a car is where it is not as its body plan says. */
export const facts = steps(21, [['VehicleFacts', `ALTER TABLE vehicle ADD COLUMN IF NOT EXISTS facts longtext NULL`]]);
