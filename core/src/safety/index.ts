export { cautionsFor, DEFERENCE, type Caution, type CautionStep } from './cautions.ts';
