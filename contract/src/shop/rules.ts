import { CAUTION_STEPS, type CautionStep } from '@aspecta/core/safety';
import { CLOSING_WORDS } from '../repair/index.ts';
import { HOLDING_WORDS, PROCESS_WORDS, STRATEGY_WORDS } from '../weld/index.ts';
import { METALWORK_WORDS, type MetalworkQuestion } from './metalwork.ts';
import { HEAT_WORDS } from './welding.ts';
import type { Shop, Unit } from './index.ts';

/** At which step of the work a rule of the place bites. */
export const STEP_RULE_WORDS: Readonly<Record<CautionStep, string>> = {
  survey: 'When a car is inspected',
  strip: 'When paint or filler comes off',
  verdict: 'When it is decided',
  cut: 'Before a cut',
  weld: 'Before the first arc',
  arrival: 'When a part arrives',
};
/** The same among the other rules. */
const localWords = Object.fromEntries(
  CAUTION_STEPS.map((step) => [`local ${step}`, `Rule of the place, ${STEP_RULE_WORDS[step].toLowerCase()}`]),
) as Record<`local ${CautionStep}`, string>;

/** What each house rule is called, on its page and where a change of it is told; rates by the units of the shop. */
export const ruleWords = (unit: Unit) =>
  ({
    name: 'Name of the shop',
    unit: 'Lengths are shown in',
    coatingUnit: 'Coatings are read in',
    heatUnit: 'Temperatures are read in',
    timeZone: 'By the clock of',
    currency: 'Currency',
    taxRate: 'Tax, %',
    hour: 'An hour of work',
    sheetDm2: unit === 'in' ? 'Sheet steel, a sq ft' : 'Sheet steel, a dm²',
    weldMetre: unit === 'in' ? 'Wire, gas, discs for 1 ft' : 'Wire, gas, discs for 1 m',
    coatDm2: unit === 'in' ? 'Coating, a sq ft' : 'Coating, a dm²',
    temperature: 'Workshop',
    weldableShare: 'Weldable from, % of as built',
    weldableMm: 'And at least so thick',
    mountRadius: 'Near a mount, within',
    soundShare: 'Sound down to, % of as built',
    wornShare: 'Worn down to, % of as built',
    thinShare: 'Thin down to, % of as built',
    throughShare: 'As good as a hole below, % of as built',
    bareUm: 'Bare metal up to',
    originalUm: 'Paint as new up to',
    repaintedUm: 'Repainted up to',
    heavyUm: 'Heavy paint up to, filler above',
    certainty: 'A class is called when it is so sure, %',
    seen: 'A cut in sheet that is seen is closed by',
    hidden: 'A cut that stays hidden',
    flange: 'A flange that was spot-welded',
    process: 'Process',
    strategy: 'Order of the stitches',
    holding: 'Held until it is welded by',
    heat: 'Heat',
    spotArm: 'Spot welder, its arms reach',
    bender: 'Sheet bender, folds up to',
    turns: 'The body can be turned',
    cutBack: 'Cut out',
    rust: 'Rust that stays is treated by',
    finish: 'A seen weld is made level',
    primed: 'A new piece is coated',
    lowEdge: 'The low edge of a hollow',
    passage: 'A piece too large for its way in',
    paints: 'Paint each panel here after its repair',
    overlay: 'Weigh laying a new sheet over the old one',
    ...localWords,
  }) as const;
export type Rule = keyof ReturnType<typeof ruleWords>;
/** By rule: who changed it last, and when (ISO). */
export type ChangedRules = Partial<Record<Rule, { by: string; at: string }>>;

const NOT_SAID = 'not said';
/** What stands for a rule of welding that is left open. */
export const AS_LAST = 'as welded last';

/** In what lengths, coatings and temperatures can be shown. */
export const LENGTH_UNITS: readonly { value: Unit; label: string }[] = [
  { value: 'mm', label: 'Millimetres' },
  { value: 'in', label: 'Inches and fractions' },
];
export const COATING_UNITS: readonly { value: Shop['coatingUnit']; label: string }[] = [
  { value: 'um', label: 'Micrometres' },
  { value: 'mil', label: 'Mil' },
];
export const HEAT_UNITS: readonly { value: Shop['heatUnit']; label: string }[] = [
  { value: 'C', label: '°C' },
  { value: 'F', label: '°F' },
];

/** Rates are kept for dm² and metres; a shop of inches says them for square feet and feet. */
const PER_FOOT: Readonly<Record<keyof Shop['rates'], number>> = {
  hour: 1,
  sheetDm2: 9.290_304,
  coatDm2: 9.290_304,
  weldMetre: 0.3048,
};
/** How many of the units that a rate is kept for make the one it is told for. */
export const ratePer = (rate: keyof Shop['rates'], unit: Unit): number => (unit === 'in' ? PER_FOOT[rate] : 1);

type Rules = Omit<Shop, 'id' | 'version' | 'changed'>;

const METALWORK_QUESTIONS = Object.keys(METALWORK_WORDS) as MetalworkQuestion[];
const metalworkName = (question: MetalworkQuestion, choice: string): string =>
  (METALWORK_WORDS[question] as Readonly<Record<string, { name: string }>>)[choice]?.name ?? choice;

/** Each rule as a person reads it, by the units and the currency of the shop; temperatures in °C, as every stored sentence has them. */
function told(
  { rates, schools, welding, metalwork, tools, limits, localRules, ...rules }: Rules,
  { unit, currency }: Pick<Rules, 'unit' | 'currency'>,
) {
  const rate = (key: keyof Shop['rates']) => `${((rates[key] * ratePer(key, unit)) / 100).toFixed(2)} ${currency}`;
  const one = <T extends string>(options: readonly { value: T; label: string }[], chosen: T) =>
    options.find(({ value }) => value === chosen)?.label ?? chosen;
  const inPercent = (share: number) => String(Number((share * 100).toFixed(1)));
  const coating = (um: number) => `${Math.round(um)} µm`;
  const yes = (on: boolean) => (on ? 'yes' : 'no');
  return {
    name: rules.name,
    unit: one(LENGTH_UNITS, rules.unit),
    coatingUnit: one(COATING_UNITS, rules.coatingUnit),
    heatUnit: one(HEAT_UNITS, rules.heatUnit),
    timeZone: rules.timeZone?.replaceAll('_', ' ') ?? 'the device',
    currency: rules.currency,
    taxRate: String(Number((rules.taxRate * 100).toFixed(2))),
    hour: rate('hour'),
    sheetDm2: rate('sheetDm2'),
    weldMetre: rate('weldMetre'),
    coatDm2: rate('coatDm2'),
    temperature: `${Number(rules.temperature.toFixed(1))} °C`,
    weldableShare: inPercent(limits.weldableShare),
    weldableMm: `${limits.weldableMm.toFixed(2)} mm`,
    mountRadius: `${Math.round(limits.mountRadius)} mm`,
    soundShare: inPercent(limits.soundShare),
    wornShare: inPercent(limits.wornShare),
    thinShare: inPercent(limits.thinShare),
    throughShare: inPercent(limits.throughShare),
    bareUm: coating(limits.bareUm),
    originalUm: coating(limits.originalUm),
    repaintedUm: coating(limits.repaintedUm),
    heavyUm: coating(limits.heavyUm),
    certainty: inPercent(limits.certainty),
    seen: CLOSING_WORDS[schools.seen],
    hidden: CLOSING_WORDS[schools.hidden],
    flange: CLOSING_WORDS[schools.flange],
    process: welding.process ? PROCESS_WORDS[welding.process] : AS_LAST,
    strategy: welding.strategy ? STRATEGY_WORDS[welding.strategy] : AS_LAST,
    holding: welding.holding ? HOLDING_WORDS[welding.holding] : AS_LAST,
    spotArm: tools ? (tools.spotArm === null ? 'none' : `${Math.round(tools.spotArm)} mm`) : NOT_SAID,
    bender: tools ? (tools.bender === null ? 'none' : `${Math.round(tools.bender)} mm`) : NOT_SAID,
    turns: tools ? yes(tools.turns) : NOT_SAID,
    heat: welding.heat ? HEAT_WORDS[welding.heat] : AS_LAST,
    ...(Object.fromEntries(
      METALWORK_QUESTIONS.map((question) => [question, metalworkName(question, metalwork[question])]),
    ) as Record<MetalworkQuestion, string>),
    paints: yes(rules.paints),
    overlay: yes(rules.overlay),
    ...(Object.fromEntries(CAUTION_STEPS.map((step) => [`local ${step}`, localRules?.[step] || 'none'])) as Record<
      `local ${CautionStep}`,
      string
    >),
  } satisfies Record<Rule, string>;
}

/**
 * Which house rules are otherwise than they were?
 *
 * @returns each with what is said of it: “An hour of work: 45.00 EUR → 60.00 EUR”
 */
export function changesOfRules(before: Rules, after: Rules): { rule: Rule; text: string }[] {
  const words = ruleWords(after.unit);
  const [was, is] = [told(before, after), told(after, after)];
  return (Object.keys(words) as Rule[])
    .filter((rule) => was[rule] !== is[rule])
    .map((rule) => ({ rule, text: `${words[rule]}: ${was[rule]} → ${is[rule]}` }));
}

/** The same as sentences alone. */
export const changedRules = (before: Rules, after: Rules): string[] =>
  changesOfRules(before, after).map(({ text }) => text);
