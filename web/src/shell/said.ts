import { inUnits, type PersonUnits } from '@aspecta/core/units';

/** Fields whose names on the wire are no words. */
const WORDS: Readonly<Record<string, string>> = {
  metalMm: 'Metal left',
  coatingUm: 'Coating',
  taxRate: 'Tax',
  'rates.hour': 'An hour of work',
  'rates.sheetDm2': 'Sheet steel',
  'rates.weldMetre': 'Wire, gas, discs',
  'rates.coatDm2': 'Coating',
  handWarm: 'The temperature to weld again below',
  leadDays: 'Delivery',
  maxCorners: 'The number of runs',
  cornerRadius: 'The radius of corners',
  planId: 'The body plan',
  vehicleId: 'The car',
  takenAt: 'The time',
  u: 'The place from the left',
  v: 'The place up',
};

/** A refusal or another sentence of the server as a person reads it: fields by their words, quantities in his units. */
export function said(text: string, units: PersonUnits): string {
  const named = text.replace(
    /^([\w.[\]]+)(?= (?:is|must|has|lies)\b)/,
    (field) => WORDS[field.replace(/^readings\[\d+\]\./, '')] ?? field,
  );
  return inUnits(named, units);
}
