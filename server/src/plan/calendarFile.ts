import { DateTime } from 'luxon';
import { createEvents, type DateTime as Moment, type EventAttributes } from 'ics';
import type { PlannedStep, PlanView, TonightStep } from '@aspecta/contract/plan';
import { ServerProblem } from '../http/problems.ts';

/** The planned steps of a car as a calendar (iCalendar, RFC 5545): one entry for each stretch of work, and the day it is ready. */
export function calendarFile(car: string, { steps, p50, p90, timeZone }: PlanView): string {
  const entries = steps.flatMap((step) => stretches(step, { car, name: step.id, calendar: `${car}, plan` }));
  const ready: EventAttributes[] =
    p50 === null
      ? []
      : [
          {
            uid: `ready-${car.replace(/\W/g, '-')}@aspecta`,
            title: `${car}: ready as likely as not`,
            start: dayIn(p50, timeZone),
            end: dayIn(p50, timeZone, 1),
            description: p90 === null ? '' : `Nine times in ten by ${dayIn(p90, timeZone).join('-')}.`,
            busyStatus: 'FREE',
            productId: 'aspecta',
          },
        ];
  return written([...entries, ...ready], car);
}

/** What comes next over all cars of a shop, as a calendar that is asked for again and again. */
export function shopCalendar(shop: string, steps: readonly TonightStep[]): string {
  const entries = steps.flatMap((step) =>
    stretches(step, { car: step.nickname, name: `${step.vehicle} ${step.id}`, calendar: `${shop}, plan` }),
  );
  return written(entries, shop);
}

/** One entry for each stretch of a step; its name stays, so that a calendar moves it and does not double it. */
const stretches = (
  { title, by, pieces, needs, why }: PlannedStep,
  { car, name, calendar }: { car: string; name: string; calendar: string },
): EventAttributes[] =>
  pieces.map(([from, to], i) => ({
    uid: `${name.replace(/\s/g, '-')}-${i}@aspecta`,
    title: by === null ? title : `${title} (${by})`,
    start: utc(from),
    startInputType: 'utc',
    startOutputType: 'utc',
    end: utc(to),
    endInputType: 'utc',
    endOutputType: 'utc',
    description: [...needs.map((tool) => `Needs: ${tool}`), ...why].join('\n'),
    // What only dries or is on its way does not take anybody's time.
    busyStatus: by === null ? 'FREE' : 'BUSY',
    categories: [car],
    productId: 'aspecta',
    calName: calendar,
  }));

/** A calendar without entries is one as well: whoever subscribes to it is not told of an error. */
function written(entries: EventAttributes[], name: string): string {
  if (entries.length === 0)
    return [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:aspecta',
      `X-WR-CALNAME:${name.replace(/[,;\\]/g, ' ')}`,
      'END:VCALENDAR',
      '',
    ].join('\r\n');
  const { error, value } = createEvents(entries);
  if (error || !value)
    throw new ServerProblem('internal', `The calendar could not be written: ${error?.message ?? ''}`);
  return value;
}

const utc = (iso: string): Moment => {
  const at = new Date(iso);
  return [at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate(), at.getUTCHours(), at.getUTCMinutes()];
};
const dayIn = (iso: string, zone: string, more = 0): [number, number, number] => {
  const day = DateTime.fromISO(iso, { zone }).plus({ days: more });
  return [day.year, day.month, day.day];
};
