import type { Metalwork, Schools, Tools } from '@aspecta/core/repair';
import type { ChangedRules } from './rules.ts';
import type { WeldingSchools } from './welding.ts';
import type { Limits } from '@aspecta/core/survey';
import type { CautionStep } from '@aspecta/core/safety';
import type { PersonUnits } from '@aspecta/core/units';

export type Role = 'owner' | 'worker' | 'viewer' | 'customer';
export type Unit = 'mm' | 'in';

export interface Person {
  id: string;
  name: string;
  email: string;
  role: Role;
}

export type LocalRules = Partial<Record<CautionStep, string>>;

/** House rules of a shop; money in minor units of its currency. */
export interface Shop {
  id: string;
  name: string;
  /** ISO 4217. */
  currency: string;
  unit: Unit;
  /** 0.2 = 20 %. */
  taxRate: number;
  rates: { hour: number; sheetDm2: number; weldMetre: number; coatDm2: number };
  /** Whether laying a new sheet over treated sound metal is weighed as an option. */
  overlay: boolean;
  /** Whether each panel is painted here after its repair; else paint is left for later, for the whole car. */
  paints: boolean;
  /** How joints are closed of which nobody has said anything else. */
  schools: Schools;
  /** How it welds, where nobody has said anything else. */
  welding: WeldingSchools;
  /** How it works on metal. */
  metalwork: Metalwork;
  /** What stands in it; null as long as nobody has said. */
  tools?: Tools | null;
  /** By which metal is judged. */
  limits: Limits;
  /** °C in the workshop as a rule: what welds cool down to, and what coats dry at. */
  temperature: number;
  /** IANA name, by whose clock people work; null as long as nobody has said when he works. */
  timeZone?: string | null;
  /** What the law and the testers here ask for, in the shop’s own words, by the step of the work at which it bites. */
  localRules?: LocalRules | null;
  /** In what coatings are read. */
  coatingUnit: 'um' | 'mil';
  /** In what temperatures are read. */
  heatUnit: 'C' | 'F';
  /** Who changed which rule last; a rule that nobody has touched is left out. */
  changed?: ChangedRules | null;
  version: number;
}

/** In what the people of a shop read. */
export const personUnits = (shop: Pick<Shop, 'unit' | 'coatingUnit' | 'heatUnit'>): PersonUnits => ({
  length: shop.unit,
  coating: shop.coatingUnit,
  heat: shop.heatUnit,
});

/** What the first owner is asked for; house rules change the rest later. */
export interface SetUp extends Pick<Shop, 'unit' | 'currency' | 'taxRate'> {
  shop: string;
  name: string;
  email: string;
  password: string;
  /** An hour of work, minor units. */
  hour: number;
  /** IANA name of where the shop is, as the device knows it; null where it does not say. */
  timeZone: string | null;
}

export interface SessionView {
  person: Person;
  shop: Shop;
  /** To be sent as header x-aspecta-csrf with every change. */
  csrf: string;
}

/** What the sign-in page needs to know before anybody has signed in. */
export interface DoorView {
  session: SessionView | null;
  demo: boolean;
  needsSetup: boolean;
}

export {
  AS_LAST,
  changedRules,
  changesOfRules,
  COATING_UNITS,
  HEAT_UNITS,
  LENGTH_UNITS,
  ratePer,
  ruleWords,
  STEP_RULE_WORDS,
} from './rules.ts';
export type { ChangedRules, Rule } from './rules.ts';
export {
  HEAT_WORDS,
  NO_WELDING,
  settingsBy,
  TYPICAL_PATCH,
  WELDING_WORDS,
  type HeatSchool,
  type WeldingChoice,
  type WeldingCost,
  type WeldingQuestion,
  type WeldingSchools,
} from './welding.ts';
export { METALWORK_WORDS, TYPICAL_METALWORK, type MetalworkCost, type MetalworkQuestion } from './metalwork.ts';
export { SCHOOL_WORDS, TYPICAL_REPAIRS, type SchoolCost, type SchoolQuestion } from './schools.ts';
