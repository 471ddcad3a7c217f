import { chance } from './chance.ts';

/**
 * A weather service that is made up: the same hours always have the same weather, so that a plan does not
 * move because it is looked at again. To be replaced by one that knows the place of the shop.
 */
export interface WeatherHour {
  /** Beginning of the hour. */
  at: Date;
  celsius: number;
  /** Relative, per cent. */
  humidity: number;
  /** mm in this hour. */
  rain: number;
}

const HOUR = 3_600_000;
const DAY_HOURS = 24;
/** A forecast says something for so many hours. */
export const FORECAST_HOURS = 240;
/** Share of days with rain; a spell begins at any hour and lasts so many. */
const RAIN_DAYS = 0.35;
const SPELL = { least: 2, most: 9 };

function rainsAt(hour: number): number {
  const day = Math.floor(hour / DAY_HOURS);
  // A spell of yesterday may last into today.
  for (const d of [day, day - 1]) {
    if (chance(d, 1) >= RAIN_DAYS) continue;
    const from = d * DAY_HOURS + Math.floor(chance(d, 2) * DAY_HOURS);
    const long = SPELL.least + Math.floor(chance(d, 3) * (SPELL.most - SPELL.least + 1));
    if (hour >= from && hour < from + long) return 0.3 + 3 * chance(hour, 4);
  }
  return 0;
}

/** The weather of so many hours from the full hour on in which `from` lies. */
export function weather(from: Date, hours: number): WeatherHour[] {
  const first = Math.floor(from.getTime() / HOUR);
  return Array.from({ length: hours }, (_, i) => {
    const hour = first + i;
    const at = new Date(hour * HOUR);
    const year = (at.getTime() - Date.UTC(at.getUTCFullYear(), 0, 1)) / (365.25 * DAY_HOURS * HOUR);
    const rain = rainsAt(hour);
    const season = 10 - 9 * Math.cos(2 * Math.PI * (year - 0.05));
    const ofDay = -4 * Math.cos((2 * Math.PI * (at.getUTCHours() - 3)) / DAY_HOURS);
    const celsius = season + (rain > 0 ? 0.4 : 1) * ofDay + 5 * (chance(Math.floor(hour / 48), 5) - 0.5);
    const humidity = rain > 0 ? 93 : 62 - 2.5 * ofDay + 12 * (chance(Math.floor(hour / 24), 6) - 0.5);
    return { at, celsius: Math.round(celsius * 10) / 10, humidity: Math.round(humidity), rain };
  });
}

/** Spells of rain that are forecast, as hours from `from`. */
export function wetSpells(from: Date, hours = FORECAST_HOURS): [number, number][] {
  const spells: [number, number][] = [];
  for (const { at, rain } of weather(from, hours)) {
    if (rain === 0) continue;
    const begin = (at.getTime() - from.getTime()) / HOUR;
    const last = spells.at(-1);
    if (last && Math.abs(last[1] - begin) < 1e-6) last[1] = begin + 1;
    else spells.push([begin, begin + 1]);
  }
  return spells.map(([a, b]): [number, number] => [Math.max(0, a), b]).filter(([a, b]) => b > a);
}

/** When it is dry: between the spells that are forecast, and after them as long as is asked; nobody knows better. */
export function drySpells(from: Date, until: number): [number, number][] {
  const dry: [number, number][] = [];
  let at = 0;
  for (const [begin, end] of wetSpells(from)) {
    if (begin > at) dry.push([at, begin]);
    at = end;
  }
  return [...dry, [at, Math.max(at + 1, until)]];
}
