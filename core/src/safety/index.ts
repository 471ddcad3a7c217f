export { CAUTION_STEPS, cautionsFor, DEFERENCE, type Caution, type CautionStep } from './cautions.ts';
