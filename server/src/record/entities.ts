import { EntitySchema } from 'typeorm';
import { belongsTo, key, maybe, moment, ref, text, whole } from '../db/columns.ts';

/** A link by which a stranger reads the record of one car; only a hash of its secret is kept. */
export interface ShareRow {
  id: string;
  vehicleId: string;
  tokenHash: string;
  label: string;
  by: string;
  createdAt: Date;
  expiresAt: Date;
  revokedAt: Date | null;
  opened: number;
}
export const ShareEntity = new EntitySchema<ShareRow>({
  name: 'share_link',
  columns: {
    id: key(),
    vehicleId: ref(),
    tokenHash: { type: 'char', length: 64 },
    label: text(120),
    by: text(120),
    createdAt: moment(),
    expiresAt: moment(),
    revokedAt: maybe(moment()),
    opened: whole(),
  },
  indices: [{ name: 'share_token', columns: ['tokenHash'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
