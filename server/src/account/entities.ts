import { EntitySchema } from 'typeorm';
import type { Role } from '@aspecta/contract/shop';
import { belongsTo, key, moment, ref, text } from '../db/columns.ts';

/** An offer to join the shop, as a link; only a hash of its secret is kept. Gone when it is taken up. */
export interface InvitationRow {
  id: string;
  shopId: string;
  tokenHash: string;
  name: string;
  role: Role;
  by: string;
  createdAt: Date;
  expiresAt: Date;
}
export const InvitationEntity = new EntitySchema<InvitationRow>({
  name: 'invitation',
  columns: {
    id: key(),
    shopId: ref(),
    tokenHash: { type: 'char', length: 64 },
    name: text(120),
    role: text(10),
    by: text(120),
    createdAt: moment(),
    expiresAt: moment(),
  },
  indices: [{ name: 'invitation_token', columns: ['tokenHash'] }],
  foreignKeys: [belongsTo('shop', 'shopId')],
});

/** A customer who may see a vehicle. */
export interface GuestRow {
  vehicleId: string;
  personId: string;
}
export const GuestEntity = new EntitySchema<GuestRow>({
  name: 'guest',
  columns: { vehicleId: key(), personId: key() },
  foreignKeys: [belongsTo('vehicle', 'vehicleId'), belongsTo('person', 'personId')],
});

/** What happened to accounts and house rules of a shop; append-only, for its owner. */
export interface AuditRow {
  id: string;
  shopId: string;
  at: Date;
  by: string;
  text: string;
  /** Of the network, where it was told. */
  address: string;
}
export const AuditEntity = new EntitySchema<AuditRow>({
  name: 'audit',
  columns: { id: key(), shopId: ref(), at: moment(), by: text(120), text: text(500), address: text(60) },
  indices: [{ name: 'audit_time', columns: ['shopId', 'at'] }],
  foreignKeys: [belongsTo('shop', 'shopId')],
});
