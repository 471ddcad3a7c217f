import { closeCalculations } from './close.ts';
import { cutCalculations } from './cut.ts';
import { fitCalculations } from './fit.ts';
import { geometryCalculations } from './geometry.ts';
import { holdCalculations } from './hold.ts';
import { jobCalculations } from './job.ts';
import type { Calculation } from './kit.ts';
import { orderCalculations } from './order.ts';
import { planCalculations } from './plan.ts';
import { repairCalculations } from './repair.ts';
import { shapeCalculations } from './shape.ts';
import { surveyCalculations } from './survey.ts';
import { unitsCalculations } from './units.ts';
import { verdictCalculations } from './verdict.ts';
import { weldCalculations } from './weld.ts';

/** Every calculation of Aspecta, in the order of the work. A new one is a file in core, its test, and one entry in its subject here. */
export const catalogue: readonly Calculation[] = [
  ...unitsCalculations,
  ...geometryCalculations,
  ...surveyCalculations,
  ...holdCalculations,
  ...repairCalculations,
  ...verdictCalculations,
  ...cutCalculations,
  ...shapeCalculations,
  ...fitCalculations,
  ...weldCalculations,
  ...closeCalculations,
  ...jobCalculations,
  ...planCalculations,
  ...orderCalculations,
];
