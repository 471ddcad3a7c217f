import { reactive, ref, shallowRef } from 'vue';
import { NO_WELDING, ratePer, type ChangedRules, type Shop } from '@aspecta/contract/shop';
import { schoolDefaults, usualMetalwork } from '@aspecta/core/repair';
import { CAUTION_STEPS, type CautionStep } from '@aspecta/core/safety';
import { usualLimits } from '@aspecta/core/survey';
import { ApiProblem, get, put } from '../shell/api.ts';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { useSession } from '../shell/session.ts';
import { shareOf } from '../shell/typedNumber.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import { useUnits } from '../shell/units.ts';
import { NO_TOOLS, toolsOf, typedTools } from './typedTools.ts';
import { limitsOf, NO_LIMITS, typedLimits } from './typedLimits.ts';

/** The house rules as they stand in their fields: read, changed, reckoned with before they are saved, and saved. */
export function useHouseRules() {
  const session = useSession();
  const form = useForm();
  const units = useUnits();
  const saved = ref(false);
  const rules = reactive({
    name: '',
    currency: '',
    unit: 'mm' as 'mm' | 'in',
    tax: '',
    hour: '',
    sheetDm2: '',
    weldMetre: '',
    coatDm2: '',
    overlay: false,
    paints: false,
    ...schoolDefaults,
    welding: { ...NO_WELDING },
    metalwork: { ...usualMetalwork },
    tools: { ...NO_TOOLS },
    limits: { ...NO_LIMITS },
    temperature: '',
    coatingUnit: 'um' as Shop['coatingUnit'],
    heatUnit: 'C' as Shop['heatUnit'],
    timeZone: '',
    local: Object.fromEntries(CAUTION_STEPS.map((step) => [step, ''])) as Record<CautionStep, string>,
    version: 0,
  });
  const load = useLoad(async () => {
    const shop = await get<Shop>('/shop');
    // What is being written stays when the server has come back; a version that somebody else has stored is told at saving.
    if (rules.version === 0) take(shop);
    return true;
  });
  /** Who changed which of them last. */
  const changed = shallowRef<ChangedRules | null>(null);
  /** Rates as they were shown: one that nobody has touched stays exactly what is stored. */
  let seen: Shop['rates'] | undefined;
  let judged = usualLimits;
  let standing: Shop['tools'] = null;
  const shownRate = (key: keyof Shop['rates'], minor: number) =>
    majorUnits(Math.round(minor * ratePer(key, units.unit.value)));
  const stored = (key: keyof Shop['rates']) => {
    if (seen && rules[key] === shownRate(key, seen[key])) return seen[key];
    const minor = minorUnits(rules[key], rules.currency, `rates.${key}`);
    return typeof minor === 'number' ? Math.round(minor / ratePer(key, units.unit.value)) : minor;
  };
  function take(shop: Shop): void {
    // Its units are those of the fields from now on.
    session.setShop(shop);
    seen = shop.rates;
    judged = { ...usualLimits, ...shop.limits };
    standing = shop.tools ?? null;
    changed.value = shop.changed ?? null;
    Object.assign(rules, {
      name: shop.name,
      currency: shop.currency,
      unit: shop.unit,
      overlay: shop.overlay,
      paints: shop.paints,
      ...shop.schools,
      welding: { ...NO_WELDING, ...shop.welding },
      metalwork: { ...usualMetalwork, ...shop.metalwork },
      tools: typedTools(shop.tools, units),
      version: shop.version,
      coatingUnit: shop.coatingUnit,
      heatUnit: shop.heatUnit,
      timeZone: shop.timeZone ?? '',
      local: Object.fromEntries(CAUTION_STEPS.map((step) => [step, shop.localRules?.[step] ?? ''])),
      limits: typedLimits(judged, units),
      temperature: units.heat.typed(shop.temperature),
      tax: String(Math.round(shop.taxRate * 10_000) / 100),
      ...Object.fromEntries(
        (Object.entries(shop.rates) as [keyof Shop['rates'], number][]).map(([key, minor]) => [
          key,
          shownRate(key, minor),
        ]),
      ),
    });
  }
  /** By what estimates are reckoned, as it stands in the fields. */
  const reckoned = () => ({
    rates: {
      hour: stored('hour'),
      sheetDm2: stored('sheetDm2'),
      weldMetre: stored('weldMetre'),
      coatDm2: stored('coatDm2'),
    },
    overlay: rules.overlay,
    schools: { seen: rules.seen, hidden: rules.hidden, flange: rules.flange },
    metalwork: { ...rules.metalwork },
    limits: limitsOf(rules.limits, judged, units),
  });
  async function save(): Promise<void> {
    saved.value = false;
    saved.value = await form.submit(async () => {
      try {
        take(
          await put<Shop>('/shop', {
            name: rules.name,
            currency: rules.currency,
            unit: rules.unit,
            taxRate: shareOf(rules.tax),
            ...reckoned(),
            paints: rules.paints,
            welding: rules.welding,
            tools: toolsOf(rules.tools, standing, units),
            temperature: units.heat.read(rules.temperature),
            coatingUnit: rules.coatingUnit,
            heatUnit: rules.heatUnit,
            timeZone: rules.timeZone || null,
            localRules: rules.local,
            version: rules.version,
          }),
        );
      } catch (error) {
        if (error instanceof ApiProblem && error.code === 'conflict') {
          take(error.body.current as Shop);
          throw new Error('Somebody else has changed the house rules; they are shown as they are now.', {
            cause: error,
          });
        }
        throw error;
      }
    });
  }
  return { rules, load, changed, reckoned, save, saved, form };
}
