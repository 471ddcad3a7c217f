import Joi from 'joi';
import { CAUTION_STEPS } from '@aspecta/core/safety';
import { STEP_RULE_WORDS } from './rules.ts';
import { METALWORK_WORDS, type MetalworkQuestion } from './metalwork.ts';
import { schoolDefaults, usualMetalwork, type Metalwork, type Tools } from '@aspecta/core/repair';
import { usualLimits, type Limits } from '@aspecta/core/survey';
import type { TriedRules } from '../verdict/index.ts';
import type { Role, SetUp, Shop } from './index.ts';
import { NO_WELDING, type WeldingSchools } from './welding.ts';

/* What may come in, by field. */
export const email = Joi.string().trim().email({ tlds: false }).max(200).required();
export const password = Joi.string().min(10).max(200).required();
export const name = Joi.string().trim().min(1).max(120).required();
export const role = Joi.valid('owner', 'worker', 'viewer', 'customer').required();

export const signInSchema = Joi.object<{ email: string; password: string }>({
  email,
  password: Joi.string().max(200).required(),
});
export const personSchema = Joi.object<{ name: string; email: string; password: string; role: Role }>({
  name,
  email,
  password,
  role,
});
export const roleSchema = Joi.object<{ role: Role }>({ role });

const money = Joi.number().integer().min(0).max(100_000_000);
const currency = Joi.string()
  .uppercase()
  .pattern(/^[A-Z]{3}$/, 'currency')
  .required();
const unit = Joi.valid('mm', 'in').required();
const taxRate = Joi.number().min(0).max(1).required();
export const setupSchema = Joi.object<SetUp>({
  shop: name,
  name,
  email,
  password,
  unit: unit.optional().default('mm'),
  currency: currency.optional().default('EUR'),
  taxRate: taxRate.optional().default(0.2),
  hour: money.default(4500),
  timeZone: Joi.string().max(60).allow(null).default(null),
});
const reckoned = {
  rates: Joi.object({
    hour: money.required(),
    sheetDm2: money.required(),
    weldMetre: money.required(),
    coatDm2: money.required(),
  }).required(),
  overlay: Joi.boolean().required(),
  schools: Joi.object({
    seen: Joi.valid('butt', 'lap', 'joggle').required(),
    hidden: Joi.valid('butt', 'lap', 'joggle').required(),
    flange: Joi.valid('plug', 'spot').required(),
  }).default(schoolDefaults),
  metalwork: Joi.object<Metalwork>(
    Object.fromEntries(
      (Object.keys(METALWORK_WORDS) as MetalworkQuestion[]).map((question) => [
        question,
        Joi.valid(...Object.keys(METALWORK_WORDS[question])).required(),
      ]),
    ),
  ).default(usualMetalwork),
};
/** Limits of classes; as is usual where a device of before does not send them. */
const share = (limit: keyof Limits) => ({ [limit]: Joi.number().min(0).max(1).default(usualLimits[limit]) });
const micrometres = (limit: keyof Limits) => ({
  [limit]: Joi.number().min(1).max(5000).default(usualLimits[limit]),
});
const limits = Joi.object<Limits>({
  weldableShare: Joi.number().min(0.3).max(1).required(),
  weldableMm: Joi.number().min(0.2).max(3).required(),
  mountRadius: Joi.number().min(0).max(1000).required(),
  ...share('soundShare'),
  ...share('wornShare'),
  ...share('thinShare'),
  ...share('throughShare'),
  ...micrometres('bareUm'),
  ...micrometres('originalUm'),
  ...micrometres('repaintedUm'),
  ...micrometres('heavyUm'),
  certainty: Joi.number().min(0.5).max(0.999).default(usualLimits.certainty),
});
/** House rules by which estimates are reckoned; limits are as they stand where they are left out. */
export const triedRulesSchema = Joi.object<TriedRules>({ ...reckoned, limits });
export const shopSchema = Joi.object<Omit<Shop, 'id'>>({
  name,
  currency,
  unit,
  taxRate,
  ...reckoned,
  paints: Joi.boolean().default(false),
  welding: Joi.object<WeldingSchools>({
    process: Joi.valid('mig', 'tig', 'gas').allow(null).required(),
    strategy: Joi.valid('coolest', 'skip', 'backstep').allow(null).required(),
    holding: Joi.valid('clamps', 'screws').allow(null).required(),
    heat: Joi.valid('cool', 'pass').allow(null).default(null),
  }).default(NO_WELDING),
  tools: Joi.object<Tools>({
    spotArm: Joi.number().min(50).max(2000).allow(null).required(),
    bender: Joi.number().min(100).max(4000).allow(null).required(),
    turns: Joi.boolean().required(),
  })
    .allow(null)
    .default(null),
  limits: limits.default(usualLimits),
  temperature: Joi.number().min(-20).max(45).required(),
  timeZone: Joi.string().max(60).allow(null),
  localRules: Joi.object(
    Object.fromEntries(
      CAUTION_STEPS.map((step) => [step, Joi.string().trim().allow('').max(1000).label(STEP_RULE_WORDS[step])]),
    ),
  ).allow(null),
  coatingUnit: Joi.valid('um', 'mil').default('um'),
  heatUnit: Joi.valid('C', 'F').default('C'),
  // Noted by the server alone; it comes back with rules that were read and sent again.
  changed: Joi.any().strip(),
  version: Joi.number().integer().required(),
});
