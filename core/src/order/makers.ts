import { nextFactor } from '../verdict/index.ts';
import type { ArrivalOutcome } from './arrival.ts';

/** One delivery of a maker: what was promised, what came of it. */
export interface Delivery {
  maker: string;
  /** Days that were promised, and that it took; null where one of the days is not known. */
  quoted: number | null;
  actual: number | null;
  /** What became of it when it was checked; null where nobody has. */
  outcome: ArrivalOutcome | null;
  /** Of work on it before it could be used. */
  hours: number;
}

export interface MakerRecord {
  maker: string;
  /** Deliveries of which both days are known. */
  timed: { quoted: number; actual: number }[];
  /** By which factor the next delivery takes longer than promised: in half, in nine of ten cases. */
  factor: { p50: number; p90: number };
  /** Parts that were checked, those of them that fitted as they came, those that did not serve. */
  checked: number;
  fitted: number;
  gone: number;
  /** Hours of work on one part, on average of those that were checked and used; null where there is none. */
  rework: number | null;
}

/**
 * What do a maker's deliveries teach of the next one: how long it really takes, and how its parts fit?
 *
 * @param deliveries days, hours
 * @returns one record for each maker, by name
 * Source of the factor: predictive quantile of the conjugate normal on the log (Gelman et al., §3.3), as in order.latest.
 * @example makerRecords([{ maker: 'A', quoted: 5, actual: 7, outcome: 'fits', hours: 0 }])[0].fitted // → 1
 */
export function makerRecords(deliveries: readonly Delivery[]): MakerRecord[] {
  const makers = [...new Set(deliveries.map(({ maker }) => maker))].sort((a, b) => a.localeCompare(b));
  return makers.map((maker) => {
    const own = deliveries.filter((delivery) => delivery.maker === maker);
    const timed = own.flatMap(({ quoted, actual }) =>
      // Sent and here on one day still took part of it.
      quoted === null || actual === null ? [] : [{ quoted: Math.max(0.5, quoted), actual: Math.max(0.5, actual) }],
    );
    const logs = timed.map(({ quoted, actual }) => Math.log(actual / quoted));
    const checked = own.filter(({ outcome }) => outcome !== null);
    const used = checked.filter(({ outcome }) => outcome === 'fits' || outcome === 'rework');
    return {
      maker,
      timed,
      factor: { p50: nextFactor(logs, 0.5), p90: nextFactor(logs, 0.9) },
      checked: checked.length,
      fitted: checked.filter(({ outcome }) => outcome === 'fits').length,
      gone: checked.length - used.length,
      rework: used.length > 0 ? used.reduce((sum, { hours }) => sum + hours, 0) / used.length : null,
    };
  });
}
