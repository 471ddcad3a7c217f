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
  weldableShare: 'Metal that can be welded to',
  weldableMm: 'The least thickness to weld to',
  mountRadius: 'How near to a mount',
  soundShare: 'Sound metal',
  wornShare: 'Worn metal',
  thinShare: 'Thin metal',
  throughShare: 'Metal that is as good as a hole',
  bareUm: 'The coating of bare metal',
  originalUm: 'Paint as new',
  repaintedUm: 'A repaint',
  heavyUm: 'Heavy paint',
  certainty: 'How sure a class has to be',
  spotArm: 'The reach of the spot welder',
  bender: 'The longest fold',
  maxCorners: 'The number of runs',
  cornerRadius: 'The radius of corners',
  planId: 'The body plan',
  vehicleId: 'The car',
  takenAt: 'The time',
  reason: 'The reason',
  share: 'What is done of it',
  spent: 'The hours that it has taken',
  pieces: 'How many have come',
  u: 'The place from the left',
  v: 'The place up',
};

/** Shares are typed in per cent, and so are their limits told. */
const SHARES: readonly string[] = [
  ...['taxRate', 'share', 'weldableShare', 'certainty'],
  ...['soundShare', 'wornShare', 'thinShare', 'throughShare'],
];
/** Lengths whose limits are told without their unit: they are in mm. */
const LENGTHS: readonly string[] = ['weldableMm', 'mountRadius', 'spotArm', 'bender'];
/** Coatings, in the same way: in µm. */
const COATINGS: readonly string[] = ['bareUm', 'originalUm', 'repaintedUm', 'heavyUm'];

/** `neededOn` → Needed on: the last name of a path, as words. What begins like a sentence is left as it is. */
function inWords(field: string): string {
  const last = field.split('.').at(-1)!;
  if (!/^[a-z]/.test(field) || last === '') return field;
  const words = last.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const LIMIT = /\b(at (?:most|least)) ([\d.]+)\.$/;

/** A refusal or another sentence of the server as a person reads it: fields by their words, quantities in his units. */
export function said(text: string, units: PersonUnits): string {
  const isOf = (fields: readonly string[]) => fields.some((field) => text.startsWith(`${field} must`));
  const limited = text.replace(LIMIT, (all: string, how: string, limit: string) => {
    if (isOf(SHARES)) return `${how} ${Number((Number(limit) * 100).toFixed(1))} %.`;
    if (isOf(LENGTHS)) return `${how} ${limit} mm.`;
    return isOf(COATINGS) ? `${how} ${limit} µm.` : all;
  });
  const named = limited.replace(
    /^([\w.[\]]+)(?= (?:is|must|has|lies)\b)/,
    (field) => WORDS[field.replace(/^readings\[\d+\]\./, '')] ?? inWords(field),
  );
  return inUnits(named, units);
}
