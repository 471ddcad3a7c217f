import type { Role } from '../shop/index.ts';

/** What each kind of account may do, in the words that people read. */
export const ROLES = {
  owner: { name: 'Owner', may: 'everything, also rules, prices and people' },
  worker: { name: 'Worker', may: 'record, decide and order' },
  viewer: { name: 'Viewer', may: 'look at everything' },
  customer: { name: 'Customer', may: 'look at the cars that are shown to him, without prices' },
} as const satisfies Record<Role, { name: string; may: string }>;

/** A place where somebody is signed in. */
export interface OpenSession {
  /** Names it; it is no key to it. */
  name: string;
  since: string | null;
  /** What the browser says of itself. */
  agent: string;
  current: boolean;
}

export interface InvitationInput {
  name: string;
  role: Role;
}
export interface InvitationView extends InvitationInput {
  id: string;
  by: string;
  expiresAt: string;
}
/** With the secret of its link, which is told once. */
export interface NewInvitation extends InvitationView {
  token: string;
}
/** What the link of an invitation shows. */
export interface JoinView {
  shop: string;
  name: string;
  role: Role;
}

/** What happened to accounts and rules of a shop. */
export interface AuditLine {
  at: string;
  by: string;
  text: string;
  address: string;
}
