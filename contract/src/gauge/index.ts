export type GaugeKind = 'coating' | 'thickness';

export interface GaugeView {
  id: string;
  kind: GaugeKind;
  name: string;
  /** Simulated: its button is pressed on the page. */
  standIn: boolean;
  /** Who has it in hand now. */
  inUseBy: string | null;
}

/** What a gauge says, one line at a time, passed on to the page that has it in hand. */
export type GaugeEvent =
  | { type: 'hello'; name: string; kind: GaugeKind; range: [number, number] }
  | {
      type: 'reading';
      /** Counts up; a number that has been seen is the same reading sent again. */
      seq: number;
      kind: GaugeKind;
      /** µm or mm; null where it could not couple. */
      value: number | null;
      /** Past the end of its range: the value is “more than” or “less than”. */
      censored: 'above' | 'below' | null;
    }
  | { type: 'battery'; percent: number }
  | { type: 'zeroed' }
  | { type: 'drift'; text: string }
  | { type: 'nonsense'; text: string }
  | { type: 'gone'; text: string };
