import type { ShipmentStep } from '@aspecta/contract/order';
import { chance, numberOf } from './chance.ts';

/**
 * A carrier that is made up: the same number always goes the same way, and moves on by itself as time goes by.
 * Most parcels come on their day, some a day or two late, a few later. To be replaced by one that asks the carrier.
 */
export interface Shipment {
  /** What has happened so far, oldest first. */
  steps: ShipmentStep[];
  /** When it is handed over, as far as the carrier knows. */
  expected: Date;
  handedOver: boolean;
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Days from the number to the door where no day is promised, and the least there are. */
const USUAL = { least: 2, more: 3 };
const LEAST = 1;
/** Share of parcels that come on their day, and of those that come a day or two after it. */
const ON_TIME = 0.65;
const LITTLE_LATE = 0.9;
/** The carrier knows of a delay from this share of the way on: until then he says the day that was promised. */
const KNOWN = 0.5;

/** Where is the parcel with this number? @param since when the number was given; @param due day that was promised, YYYY-MM-DD */
export function whereIs(number: string, { since, due, now }: { since: Date; due: string | null; now: Date }): Shipment {
  const seed = numberOf(number);
  const begun = since.getTime();
  const promised = due
    ? Math.max(Date.parse(`${due}T14:00:00Z`), begun + LEAST * DAY)
    : begun + (USUAL.least + USUAL.more * chance(seed, 1)) * DAY;
  const luck = chance(seed, 2);
  const late =
    luck < ON_TIME ? 0 : luck < LITTLE_LATE ? 1 + Math.round(chance(seed, 3)) : 3 + Math.round(2 * chance(seed, 3));
  const end = promised + late * DAY;
  const way = (share: number) => begun + share * (end - begun);
  const all: [number, string][] = [
    [begun, 'The number is known, the parcel is not there yet'],
    [way(0.25), 'Taken over from the sender'],
    ...(late > 0 ? [[way(KNOWN), 'Held up on the way'] as [number, string]] : []),
    [way(0.75), 'At the depot near you'],
    [Math.max(way(0.8), end - 5 * HOUR), 'On the van'],
    [end, 'Handed over'],
  ];
  const past = all.filter(([at]) => at <= now.getTime());
  return {
    steps: past.map(([at, text]) => ({ at: new Date(at).toISOString(), text })),
    expected: new Date(now.getTime() >= way(KNOWN) ? end : promised),
    handedOver: now.getTime() >= end,
  };
}
