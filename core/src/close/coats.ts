import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface CoatsInput {
  /** In the order in which they go on; hours at 20 °C until the next may follow, and at most. */
  coats: readonly { id: string; hours: number; latest?: number | null }[];
  /** h */
  start: number;
  /** Temperature from each hour on. */
  temperature: readonly { from: number; celsius: number }[];
  /** °C under which nothing dries. */
  least: number;
}
export interface CoatTimes {
  id: string;
  /** h at which it goes on. */
  at: number;
  /** h between which the next one may go on; latest null where nothing ends it. */
  next: { earliest: number; latest: number | null };
}

/** °C at which makers tell their hours, and K by which it goes on twice as fast. */
const USUAL = 20;
const TWICE = 10;

/**
 * When does each coat go on, and in which hours may the next one follow? Each goes on as soon as it may.
 * Drying goes on at 2^((T−20)/10) of its speed at 20 °C, and not at all below the least temperature.
 *
 * @param input coats in order; hours from any beginning; temperature holds from its hour on
 * @throws Problem naming the field; `never-dries` where it stays too cold
 * Source: rule of thumb of reaction speed (van ’t Hoff); windows are the makers’ own.
 * @example coats({ coats: [{ id: 'epoxy', hours: 24 }], start: 0, temperature: [{ from: 0, celsius: 10 }], least: 5 }).coats[0].next.earliest // → 48
 */
export function coats({ coats: given, start, temperature, least }: CoatsInput): { coats: CoatTimes[] } {
  const all = list<CoatsInput['coats'][number]>('coats', given, 1, 100);
  finite('start', start, { min: -1e6, max: 1e6, unit: 'h' });
  finite('least', least, { min: -50, max: 60, unit: '°C' });
  const weather = weatherOf(temperature, start);
  let at = start;
  return {
    coats: all.map((coat, i): CoatTimes => {
      if (typeof coat?.id !== 'string' || coat.id === '')
        refuse('no-name', `coats[${i}].id`, `coats[${i}].id must be a name.`);
      const hours = finite(`coats[${i}].hours`, coat.hours, { min: 0, max: 1e5, unit: 'h' });
      const most = coat.latest ?? null;
      if (most !== null) finite(`coats[${i}].latest`, most, { min: hours, max: 1e5, unit: 'h' });
      const earliest = dried(weather, at, hours, least);
      if (earliest === null)
        return refuse(
          'never-dries',
          'temperature',
          `${coat.id} never dries: it stays below ${least} °C from ${at} h on. Warm the place, or wait for warmer days.`,
        );
      const time: CoatTimes = {
        id: coat.id,
        at,
        next: { earliest, latest: most === null ? null : dried(weather, at, most, least) },
      };
      at = earliest;
      return time;
    }),
  };
}

type Weather = readonly { from: number; celsius: number }[];
function weatherOf(temperature: CoatsInput['temperature'], start: number): Weather {
  const weather = list<Weather[number]>('temperature', temperature, 1, 20_000).map((entry, i) => ({
    from: finite(`temperature[${i}].from`, entry?.from, { min: -1e6, max: 1e6, unit: 'h' }),
    celsius: finite(`temperature[${i}].celsius`, entry.celsius, { min: -60, max: 100, unit: '°C' }),
  }));
  weather.sort((a, b) => a.from - b.from);
  if (weather[0]!.from > start)
    refuse(
      'no-temperature',
      'temperature',
      `The temperature is told from ${weather[0]!.from} h on; the first coat goes on at ${start} h.`,
    );
  return weather;
}

/** The hour by which it has dried for so many hours at 20 °C; null where it never has. */
function dried(weather: Weather, from: number, hours: number, least: number): number | null {
  let left = hours;
  let at = from;
  for (const [i, { from: begins, celsius }] of weather.entries()) {
    const ends = weather[i + 1]?.from ?? Infinity;
    if (ends <= at && left > 0) continue;
    if (left <= 0) break;
    at = Math.max(at, begins);
    const speed = celsius < least ? 0 : 2 ** ((celsius - USUAL) / TWICE);
    if (speed > 0 && left / speed <= ends - at) return at + left / speed;
    if (ends === Infinity) return null;
    left -= speed * (ends - at);
    at = ends;
  }
  return at;
}
