import { formatLength } from './formatLength.ts';
import type { LengthUnit } from './parseLength.ts';

/** In what a person reads lengths, coatings and temperatures. */
export interface PersonUnits {
  length: LengthUnit;
  coating: 'um' | 'mil';
  heat: 'C' | 'F';
}

const UM_PER_MIL = 25.4;
const MM2_PER_SQ_IN = 645.16;
/** mm. Thinner is sheet, read as a decimal of an inch; thicker is read on a rule. */
const SHEET = 6;

export const milOf = (um: number): number => um / UM_PER_MIL;
export const fahrenheitOf = (celsius: number): number => (celsius * 9) / 5 + 32;
export const celsiusOf = (fahrenheit: number): number => ((fahrenheit - 32) * 5) / 9;

/** Significant figures that a person can use, without trailing noughts. */
const short = (value: number, digits = 3) => String(Number(value.toPrecision(digits)));

/** How a number with each of our units is written in another one; undefined where it stays. */
function writer(unit: string, units: PersonUnits): ((value: number) => string) | undefined {
  const inch = units.length === 'in';
  switch (unit) {
    case 'mm':
      return inch
        ? (mm) => (Math.abs(mm) < SHEET ? `${Number((mm / 25.4).toFixed(3))}"` : formatLength({ mm, unit: 'in' }).text)
        : undefined;
    case 'mm²':
      return inch ? (mm2) => `${short(mm2 / MM2_PER_SQ_IN)} sq in` : undefined;
    case 'cm²':
      return inch ? (cm2) => `${short((cm2 * 100) / MM2_PER_SQ_IN)} sq in` : undefined;
    case 'dm²':
      return inch ? (dm2) => `${short((dm2 * 10_000) / MM2_PER_SQ_IN / 144)} sq ft` : undefined;
    case 'dm':
      return inch ? (dm) => `${short((dm * 100) / 304.8)} ft` : undefined;
    case 'm':
      return inch ? (m) => `${short(m / 0.3048)} ft` : undefined;
    case 'l/min':
      return inch ? (litres) => `${short(litres * 2.118_88, 2)} cu ft/h` : undefined;
    case 'kg/m':
      return inch ? (kg) => `${short(kg * 0.671_969)} lb/ft` : undefined;
    case 'kg':
      return inch ? (kg) => `${short(kg * 2.204_62)} lb` : undefined;
    case 'mm/s':
      return inch ? (mm) => `${short((mm / 25.4) * 60)} in/min` : undefined;
    case 'kJ/mm':
      return inch ? (kj) => `${short(kj * 25.4)} kJ/in` : undefined;
    case 'µm':
      return units.coating === 'mil' ? (um) => `${short(milOf(um))} mil` : undefined;
    case '°C':
      return units.heat === 'F' ? (c) => `${Math.round(fahrenheitOf(c))} °F` : undefined;
    default:
      return undefined;
  }
}

const NUMBER = String.raw`[-−]?\d+(?:\.\d+)?`;
/** One number or several with a word between them, and the unit of all of them. */
const QUANTITY = new RegExp(
  String.raw`(?<![\w.]|\d,)(${NUMBER}(?: ?(?:to|and|or|–|×|±) ?${NUMBER}){0,3}) (mm²|cm²|dm²|kJ/mm|mm/s|mm|dm|l/min|kg/m|kg|m|µm|°C)(?![\w²/])`,
  'g',
);

/**
 * The same sentence in the units of the person: refusals, reasons and steps of work are written in
 * mm, µm and °C, whoever reads them.
 *
 * @param text a sentence; quantities are numbers with a blank and mm, mm², cm², dm², dm, m, µm, °C, kg, kg/m, l/min, mm/s or kJ/mm
 * @returns inches as on a rule from 6 mm up, as a decimal below; the text itself for mm, µm and °C
 * Source: 1 in = 25.4 mm (international yard and pound agreement, 1959); common practice for what is read as a fraction.
 * @example
 * inUnits('Keep 25 to 40 mm from it.', { length: 'in', coating: 'um', heat: 'C' }); // → 'Keep 1" to 1 9/16" from it.'
 */
export function inUnits(text: string, units: PersonUnits): string {
  if (units.length === 'mm' && units.coating === 'um' && units.heat === 'C') return text;
  return text.replace(QUANTITY, (whole, numbers: string, unit: string) => {
    const write = writer(unit, units);
    if (!write) return whole;
    return numbers.replace(new RegExp(NUMBER, 'g'), (number) => write(Number(number.replace('−', '-'))));
  });
}
