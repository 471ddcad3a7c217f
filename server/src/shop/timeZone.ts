import { IANAZone } from 'luxon';
import { ServerProblem } from '../http/problems.ts';

/** @throws ServerProblem where there is no such time zone */
export function checkTimeZone(name: string): void {
  if (!IANAZone.isValidZone(name))
    throw new ServerProblem('invalid', `“${name}” is no time zone; write one such as Europe/Berlin.`, 'timeZone');
}
