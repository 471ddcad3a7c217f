import type { HandProcess } from './planTypes.ts';
import { EFFICIENCY, type WeldSettings } from './settings.ts';

/** What goes into the sheet, W, and how fast a seam runs, mm/s. */
export interface NetPower {
  tack: number;
  seam: number;
  travel: number;
}

/** l/h of acetylene for each mm of sheet; common practice, no published source. */
const ACETYLENE = 100;
/** J in a litre of acetylene; heat of combustion, memory. */
const FLAME = 56_000;
/** Share of a flame's heat that goes into the sheet; memory. */
const FLAME_SHARE = 0.35;

/**
 * How much heat does a process put into the sheet?
 *
 * @param set as the welder is set; thin: mm of the thinner sheet, by which a flame is chosen
 * @returns W net for tacks and for seams; travel mm/s
 * Source: arcs EN 1011-1 (k·U·I); flame common practice, no published source.
 */
export function netPower(process: HandProcess, set: WeldSettings, thin: number): NetPower {
  if (process === 'gas') {
    const flame = (ACETYLENE * thin * FLAME * FLAME_SHARE) / 3600;
    return { tack: flame, seam: flame, travel: set.travel! };
  }
  const arc = (amps: number) => EFFICIENCY[process] * set.volts! * amps;
  return { tack: arc(set.tackCurrent!), seam: arc(set.seamCurrent!), travel: set.travel! };
}

/** J. What melts a spot's nugget of 5√t through both sheets (ISO 14373, memory), and as much again that flows away into them. */
export function spotEnergy(thickness: number): number {
  const volume = (Math.PI / 4) * 25 * thickness * 2 * thickness;
  return 2 * volume * MELT;
}
/** J/mm³ to melt steel from cold: 7.85 mg/mm³ times 0.7 J/(g·K) over 1,500 K and 250 J/g; memory. */
const MELT = 0.0102;
