import { finite, list } from '../check.ts';

/** % of humidity over which an hour counts as wet, and °C above which it does. */
const WET = 80;
const FROST = 0;

/**
 * For how many hours is bare metal wet, and when has it been so too long?
 *
 * @param hours of weather in order; celsius and humidity (%)
 * @param limit hours of wetness that it may have
 * @returns wet hours in all; index (from 0) of the first hour by whose end the limit has passed, or null
 * @throws Problem naming the field
 * Source: time of wetness, ISO 9223: above 0 °C and over 80 % relative humidity.
 * @example exposure({ hours: [{ celsius: 5, humidity: 90 }, { celsius: -2, humidity: 95 }], limit: 1 }) // → { wet: 1, at: 0 }
 */
export function exposure({
  hours,
  limit,
}: {
  hours: readonly { celsius: number; humidity: number }[];
  limit: number;
}): { wet: number; at: number | null } {
  const given = list<{ celsius: number; humidity: number }>('hours', hours, 1, 20_000);
  finite('limit', limit, { min: 0, unit: 'h' });
  let wet = 0;
  let at: number | null = null;
  given.forEach((hour, i) => {
    const celsius = finite(`hours[${i}].celsius`, hour?.celsius, { min: -90, max: 70, unit: '°C' });
    const humidity = finite(`hours[${i}].humidity`, hour.humidity, { min: 0, max: 100, unit: '%' });
    if (celsius > FROST && humidity > WET) wet++;
    if (at === null && wet >= limit) at = i;
  });
  return { wet, at };
}
