import { EntitySchema } from 'typeorm';
import { belongsTo, moment, ref } from '../db/columns.ts';

/** The address by which a person's calendar reads the plan; only a hash of its secret is kept, one for each person. */
export interface FeedRow {
  personId: string;
  tokenHash: string;
  createdAt: Date;
}
export const FeedEntity = new EntitySchema<FeedRow>({
  name: 'calendar_feed',
  columns: {
    personId: { ...ref(), primary: true },
    tokenHash: { type: 'char', length: 64 },
    createdAt: moment(),
  },
  indices: [{ name: 'feed_token', columns: ['tokenHash'] }],
  foreignKeys: [belongsTo('person', 'personId')],
});
