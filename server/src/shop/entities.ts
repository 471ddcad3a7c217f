import type { CoatSystems } from '@aspecta/core/close';
import { EntitySchema } from 'typeorm';
import type { ChangedRules, LocalRules, Role, Unit, WeldingSchools } from '@aspecta/contract/shop';
import type { Metalwork, Schools, Tools } from '@aspecta/core/repair';
import type { Limits } from '@aspecta/core/survey';
import { belongsTo, decimal, flag, json, key, maybe, moment, ref, text, version } from '../db/columns.ts';

export interface ShopRow {
  id: string;
  name: string;
  currency: string;
  unit: Unit;
  taxRate: number;
  rates: { hour: number; sheetDm2: number; weldMetre: number; coatDm2: number };
  overlay: boolean;
  /** Whether it paints what it repairs, panel by panel. */
  paints: boolean;
  /** Null in shops of the time before there was a choice. */
  schools: Schools | null;
  /** Null: as is usual. */
  limits?: Partial<Limits> | null;
  /** Null: as it welded last. */
  welding?: WeldingSchools | null;
  /** Null: nobody has said what stands there. */
  tools?: Tools | null;
  /** Null, or one left out: as is usual. */
  metalwork?: Partial<Metalwork> | null;
  /** Null in shops of the time before it was noted. */
  changed?: ChangedRules | null;
  /** °C in the workshop as a rule. */
  temperature: number;
  coatingUnit: 'um' | 'mil';
  heatUnit: 'C' | 'F';
  /** IANA name; null as long as nobody has said when he works. */
  timeZone: string | null;
  /** Hours from before then teach no pace any more; null: all of them do. */
  pacesSince?: Date | null;
  /** Openings foretold before then teach nothing of what is hidden any more; null: all of them do. */
  spreadSince?: Date | null;
  /** By the step of the work at which they bite; null: none. */
  localRules?: LocalRules | null;
  /** Which coats go onto each side of the metal; null: as is usual. */
  systems?: CoatSystems | null;
  version: number;
}
export const ShopEntity = new EntitySchema<ShopRow>({
  name: 'shop',
  columns: {
    id: key(),
    name: text(120),
    currency: text(3),
    unit: text(2),
    taxRate: decimal(),
    rates: json(),
    overlay: flag(),
    paints: flag(),
    schools: maybe(json()),
    temperature: decimal(),
    coatingUnit: text(3),
    heatUnit: text(1),
    timeZone: maybe(text(60)),
    pacesSince: maybe(moment()),
    spreadSince: maybe(moment()),
    systems: maybe(json()),
    localRules: maybe(json()),
    limits: maybe(json()),
    welding: maybe(json()),
    metalwork: maybe(json()),
    tools: maybe(json()),
    changed: maybe(json()),
    version: version(),
  },
});

export interface PersonRow {
  id: string;
  shopId: string;
  name: string;
  email: string;
  passwordHash: string;
  role: Role;
  createdAt: Date;
}
export const PersonEntity = new EntitySchema<PersonRow>({
  name: 'person',
  columns: {
    id: key(),
    shopId: ref(),
    name: text(120),
    email: { ...text(200), unique: true },
    passwordHash: text(255),
    role: text(10),
    createdAt: moment(),
  },
  foreignKeys: [belongsTo('shop', 'shopId')],
});
