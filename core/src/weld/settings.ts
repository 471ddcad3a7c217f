import { finite } from '../check.ts';
import { refuse } from '../problem.ts';

export type Process = 'mig' | 'tig';
export type Position = 'flat' | 'vertical' | 'overhead';

export interface WeldSettings {
  /** A */
  tackCurrent: number;
  /** A; a fifth less than for tacks (T-06). */
  seamCurrent: number;
  /** V at the seam current. */
  volts: number;
  /** mm: wire (MIG) or filler rod (TIG). */
  filler: number;
  /** mm/s */
  travel: number;
  gas: string;
  /** l/min */
  gasFlow: number;
  notes: string[];
}

/** A for each mm of sheet: 1 A for each 0.001 in; common practice, no published source. */
const AMPS_PER_MM = 40;
/** Seam current as a share of tack current (T-06). */
const SEAM_SHARE = 0.8;
/** Less current where gravity pulls the pool out; common practice, no published source. */
const POSITION_SHARE: Readonly<Record<Position, number>> = { flat: 1, vertical: 0.9, overhead: 0.85 };

/**
 * How is the welder set for this sheet? A starting point: weld a test piece of the same
 * sheet first.
 *
 * @param process "mig" or "tig"
 * @param thickness of one sheet, 0.5 to 6 mm
 * @param position "flat", "vertical" or "overhead"
 * Source: currents common practice; arc volts 14 + 0.05·I (MIG) and 10 + 0.04·I (TIG), the
 * conventional load voltages of IEC 60974-1 (memory).
 */
export function settings({
  process,
  thickness,
  position = 'flat',
}: {
  process: Process;
  thickness: number;
  position?: Position;
}): WeldSettings {
  if (process !== 'mig' && process !== 'tig') refuse('unknown-process', 'process', 'process must be "mig" or "tig".');
  if (!(position in POSITION_SHARE))
    refuse('unknown-position', 'position', 'position must be "flat", "vertical" or "overhead".');
  finite('thickness', thickness, { min: 0.5, max: 6, unit: 'mm' });
  const tackCurrent = Math.round(AMPS_PER_MM * thickness * POSITION_SHARE[position]);
  const seamCurrent = Math.round(tackCurrent * SEAM_SHARE);
  const mig = process === 'mig';
  return {
    tackCurrent,
    seamCurrent,
    volts: Math.round((mig ? 14 + 0.05 * seamCurrent : 10 + 0.04 * seamCurrent) * 10) / 10,
    filler: mig ? (thickness <= 1.2 ? 0.6 : thickness <= 2.5 ? 0.8 : 1.0) : thickness <= 1.2 ? 1.0 : 1.6,
    travel: mig ? 5 : 2,
    gas: mig ? 'argon with 5 to 20 % carbon dioxide' : 'argon',
    gasFlow: mig ? 10 : 7,
    notes: [
      'Weld a test piece of the same sheet first and look at its back.',
      ...(thickness <= 1 ? ['Old or thin metal blows through: copper behind it takes the heat away (T-14).'] : []),
      ...(position === 'overhead'
        ? ['Overhead is slow and poor: if it can be marked from below and welded from above, do that.']
        : []),
    ],
  };
}

/** Share of the arc's heat that goes into the sheet. Source: EN 1011-1: 0.8 for MAG, 0.6 for TIG. */
export const EFFICIENCY: Readonly<Record<Process, number>> = { mig: 0.8, tig: 0.6 };

/**
 * How much heat goes into a millimetre of weld?
 *
 * @param volts V; amps A; speed mm/s
 * @returns kJ/mm, thermal efficiency included
 * Source: EN 1011-1: Q = k·U·I/(v·1000).
 */
export function heatInput({
  process,
  volts,
  amps,
  speed,
}: {
  process: Process;
  volts: number;
  amps: number;
  speed: number;
}): { heatInput: number } {
  if (!(process in EFFICIENCY)) refuse('unknown-process', 'process', 'process must be "mig" or "tig".');
  finite('volts', volts, { above: 0, max: 100, unit: 'V' });
  finite('amps', amps, { above: 0, max: 1000, unit: 'A' });
  finite('speed', speed, { above: 0, max: 1000, unit: 'mm/s' });
  return { heatInput: (EFFICIENCY[process] * volts * amps) / speed / 1000 };
}

/**
 * How long does the weld take from 800 to 500 °C in thin sheet?
 *
 * @param heatInput kJ/mm with efficiency; thickness mm; preheat °C (below 500); f2 shape factor, 1 for a bead on plate
 * @returns t8/5 in s
 * Source: EN 1011-2, D.6, two-dimensional heat flow.
 */
export function cooling({
  heatInput: q,
  thickness,
  preheat,
  f2 = 1,
}: {
  heatInput: number;
  thickness: number;
  preheat: number;
  f2?: number;
}): { t85: number } {
  finite('heatInput', q, { above: 0, max: 20, unit: 'kJ/mm' });
  finite('thickness', thickness, { min: 0.05, max: 100, unit: 'mm' });
  finite('preheat', preheat, { min: -50, max: 490, unit: '°C' });
  finite('f2', f2, { above: 0, max: 2 });
  return {
    t85:
      (((4300 - 4.3 * preheat) * 1e5 * q * q) / (thickness * thickness)) *
      (1 / (500 - preheat) ** 2 - 1 / (800 - preheat) ** 2) *
      f2,
  };
}
