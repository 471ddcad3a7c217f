import type { Reminder } from '@aspecta/contract/close';
import { exposure } from '@aspecta/core/close';
import type { OwnVehicle } from '../garage/service.ts';
import { FORECAST_HOURS, weather } from '../stand-ins/weather.ts';
import { facesWithCoats, type Closing } from './view.ts';
import { repairName } from '../verdict/named.ts';

const HOUR = 3_600_000;
/** Wet hours that bare steel may have: a day of wet weather (T-20); common practice, no published source. */
const WET_LIMIT = 24;
/** What was over longer ago than that is seen on the face itself. */
const REMEMBERED = 30 * 24 * HOUR;

/**
 * What will not wait on a car: metal that lies bare and gets wet by the weather, and coats over which the next
 * one is to go within its hours. Soonest first.
 *
 * @param bared when the metal of each repair was laid bare, as far as it was told
 */
export function remindersOf(
  vehicle: Pick<OwnVehicle, 'id' | 'nickname' | 'plan'>,
  closing: Closing,
  bared: ReadonlyMap<string, Date>,
  now: Date,
): Reminder[] {
  const faces = facesWithCoats(closing);
  const at = { vehicle: vehicle.id, car: vehicle.nickname };
  const bare = closing.repairs.flatMap((repair): Reminder[] => {
    const since = bared.get(repair.id);
    const open = faces.filter(({ face, state }) => state === 'bare' && face.repairs.includes(repair.id));
    if (!since || repair.done || open.length === 0) return [];
    const hours = weather(since, Math.ceil((now.getTime() - since.getTime()) / HOUR) + FORECAST_HOURS);
    const { at: end } = exposure({ hours, limit: WET_LIMIT });
    const soFar = hours.filter((hour) => hour.at < now);
    const { wet } = soFar.length > 0 ? exposure({ hours: soFar, limit: WET_LIMIT }) : { wet: 0 };
    const until = end === null ? null : new Date(hours[end]!.at.getTime() + HOUR);
    return [
      {
        ...{ ...at, kind: 'bare', wet, from: null },
        what: repairName(vehicle.plan, repair),
        since: since.toISOString(),
        todo: `Prime it: ${open.length === 1 ? 'one face lies' : `${open.length} faces lie`} bare`,
        until: until?.toISOString() ?? null,
        passed: until !== null && until <= now,
      },
    ];
  });
  const next = faces.flatMap(({ face, state, coats }): Reminder[] => {
    const last = coats.at(-1);
    if (!last?.next.latest || state === 'shut' || state === 'shut-bare') return [];
    const until = new Date(last.next.latest);
    if (now.getTime() - until.getTime() > REMEMBERED) return [];
    const passed = until <= now;
    return [
      {
        ...{ ...at, kind: 'next', since: null, wet: null, passed, until: last.next.latest, from: last.next.earliest },
        what: face.name,
        todo: passed
          ? `${last.name} has stood too long: ${last.grit ? `scuff it with ${last.grit} grit` : 'read the sheet of its maker'} before the next coat`
          : `The next coat over ${last.name}`,
      },
    ];
  });
  const when = ({ until }: Reminder) => until ?? '9999';
  return [...bare, ...next].sort((a, b) => when(a).localeCompare(when(b)));
}
