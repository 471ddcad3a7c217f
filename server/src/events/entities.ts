import { EntitySchema } from 'typeorm';
import { belongsTo, key, moment, ref, text } from '../db/columns.ts';

/** What happened on a vehicle; append-only. */
export interface EventRow {
  id: string;
  vehicleId: string;
  at: Date;
  by: string;
  subject: string;
  text: string;
}
export const EventEntity = new EntitySchema<EventRow>({
  name: 'event',
  columns: { id: key(), vehicleId: ref(), at: moment(), by: text(120), subject: text(20), text: text(500) },
  indices: [{ name: 'event_time', columns: ['vehicleId', 'at'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
