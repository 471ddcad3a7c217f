import { EntitySchema } from 'typeorm';
import { belongsTo, json, key, maybe, moment, ref, text } from '../db/columns.ts';

/** What happened on a vehicle; append-only. */
export interface EventRow {
  id: string;
  vehicleId: string;
  at: Date;
  by: string;
  subject: string;
  text: string;
  /** What it was done to, where it can be undone; null else. */
  undo: Undo | null;
}

/** Something that happened, as far as it can be undone: what it was done to, at which version it then stood. */
export interface Undo {
  /** Taken away, withdrawn, taken back, moved on. */
  kind: 'zone' | 'find' | 'readings' | 'repair' | 'order';
  ids: string[];
  version?: number;
}
export const EventEntity = new EntitySchema<EventRow>({
  name: 'event',
  columns: {
    id: key(),
    vehicleId: ref(),
    at: moment(),
    by: text(120),
    subject: text(20),
    text: text(500),
    undo: maybe(json()),
  },
  indices: [{ name: 'event_time', columns: ['vehicleId', 'at'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
