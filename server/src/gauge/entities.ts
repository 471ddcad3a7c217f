import { EntitySchema } from 'typeorm';
import { moment, ref, text } from '../db/columns.ts';

/** Who has a gauge in hand, over all server processes; a hold that is not renewed ends by itself. */
export interface GaugeHoldRow {
  gaugeId: string;
  /** The stream that holds it. */
  holder: string;
  personId: string;
  shopId: string;
  name: string;
  until: Date;
}
export const GaugeHoldEntity = new EntitySchema<GaugeHoldRow>({
  name: 'gauge_hold',
  columns: {
    gaugeId: { ...text(60), primary: true },
    holder: ref(),
    personId: ref(),
    shopId: ref(),
    name: text(120),
    until: moment(),
  },
});
