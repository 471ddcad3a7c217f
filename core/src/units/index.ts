export { parseLength, type LengthUnit } from './parseLength.ts';
export { formatLength, roundingStep } from './formatLength.ts';
export { gaugeToMm } from './gauge.ts';
export { celsiusOf, fahrenheitOf, inUnits, milOf, type PersonUnits } from './inUnits.ts';
