import type { Panel } from '../body/index.ts';
import type { CensoredSample } from './censored.ts';
import { metalOf, unfitFor, type Reading } from './reading.ts';

/** What of the readings of one layer may go into its maps, and what may not. */
export interface LayerSamples {
  /** Metal left, mm. */
  metal: CensoredSample[];
  /** Coating, µm. */
  coating: CensoredSample[];
  /** Left out: on lead, or where sheets lie double. A hole that the probe found always counts. */
  leftOut: number;
}

/**
 * Which readings tell of the single steel sheet? Those on lead-loaded joints and on doubled
 * edges are left out of the maps; coating on aluminium never comes this far (checkReading).
 */
export function layerSamples(panel: Panel, layer: string, readings: readonly Reading[]): LayerSamples {
  const result: LayerSamples = { metal: [], coating: [], leftOut: 0 };
  for (const reading of readings) {
    if (reading.layer !== layer) continue;
    const { u, v } = reading;
    const metal = metalOf(reading);
    if (unfitFor(panel, reading) && reading.probe !== 'through' && metal !== 0) {
      result.leftOut++;
      continue;
    }
    if (metal !== undefined)
      result.metal.push({ u, v, value: metal, censored: reading.metalUnder ? 'below' : undefined });
    if (reading.coatingUm !== undefined)
      result.coating.push({ u, v, value: reading.coatingUm, censored: reading.coatingOver ? 'above' : undefined });
  }
  return result;
}
