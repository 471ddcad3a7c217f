<script setup lang="ts">
import { computed, reactive, ref, shallowRef } from 'vue';
import {
  COATING_UNITS,
  HEAT_UNITS,
  LENGTH_UNITS,
  NO_WELDING,
  ratePer,
  ruleWords,
  STEP_RULE_WORDS,
  type ChangedRules,
  type Shop,
} from '@aspecta/contract/shop';
import { CAUTION_STEPS, type CautionStep } from '@aspecta/core/safety';
import { schoolDefaults } from '@aspecta/core/repair';
import { usualLimits } from '@aspecta/core/survey';
import AuditTile from '../account/AuditTile.vue';
import PeopleTile from '../account/PeopleTile.vue';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitSelect from '../kit/KitSelect.vue';
import KitNotice from '../kit/KitNotice.vue';
import { ApiProblem, get, put } from '../shell/api.ts';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { useSession } from '../shell/session.ts';
import { shareOf } from '../shell/typedNumber.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import MovedTile from './MovedTile.vue';
import LimitRules from './LimitRules.vue';
import RuleChanges from './RuleChanges.vue';
import SchoolRules from './SchoolRules.vue';
import { limitsOf, typedLimits } from './typedLimits.ts';
import WeldingRules from './WeldingRules.vue';

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
  limits: { weldableShare: '', weldableMm: '', mountRadius: '' },
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
const shownRate = (key: keyof Shop['rates'], minor: number) =>
  majorUnits(Math.round(minor * ratePer(key, units.unit.value)));
const stored = (key: keyof Shop['rates']) => {
  if (seen && rules[key] === shownRate(key, seen[key])) return seen[key];
  const minor = minorUnits(rules[key], rules.currency, `rates.${key}`);
  return typeof minor === 'number' ? Math.round(minor / ratePer(key, units.unit.value)) : minor;
};
const words = computed(() => ruleWords(units.unit.value));
/** Every clock that this device knows, and that of the shop. */
const clocks = computed(() => [
  ...new Set([...Intl.supportedValuesOf('timeZone'), ...(rules.timeZone ? [rules.timeZone] : [])]),
]);
/** What was refused of no field that stands here. */
const refused = computed(() =>
  form.rest(
    'currency',
    ...CAUTION_STEPS.map((step) => `localRules.${step}`),
    'limits.mountRadius',
    'limits.weldableMm',
    'limits.weldableShare',
    'name',
    'rates.coatDm2',
    'rates.hour',
    'rates.sheetDm2',
    'rates.weldMetre',
    'taxRate',
    'temperature',
    'timeZone',
  ),
);
const owner = () => session.current?.person.role === 'owner';
function take(shop: Shop): void {
  // Its units are those of the fields from now on.
  session.setShop(shop);
  seen = shop.rates;
  judged = shop.limits;
  changed.value = shop.changed ?? null;
  Object.assign(rules, {
    name: shop.name,
    currency: shop.currency,
    unit: shop.unit,
    overlay: shop.overlay,
    paints: shop.paints,
    ...shop.schools,
    welding: { ...shop.welding },
    version: shop.version,
    coatingUnit: shop.coatingUnit,
    heatUnit: shop.heatUnit,
    timeZone: shop.timeZone ?? '',
    local: Object.fromEntries(CAUTION_STEPS.map((step) => [step, shop.localRules?.[step] ?? ''])),
    limits: typedLimits(shop.limits, units),
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
          limits: limitsOf(rules.limits, judged, units),
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
        throw new Error('Somebody else has changed the house rules; they are shown as they are now.', { cause: error });
      }
      throw error;
    }
  });
}
</script>

<template>
  <Waiting :of="load" what="The house rules">
    <main v-if="load.data.value" class="page">
      <p class="eyebrow">House rules</p>
      <h1>By which rules does this shop work?</h1>
      <p v-if="!owner()" class="soft">Only the owner can change them.</p>
      <p class="small">
        <RouterLink to="/learnt">What this shop has learnt of its own paces and of what does not show</RouterLink>
      </p>
      <div class="columns">
        <form class="tile stack" @submit.prevent="save">
          <h2>Units, tax and rates</h2>
          <fieldset class="stack bare" :disabled="!owner()">
            <KitField v-slot="{ bind }" :label="words.name" :error="form.errors['name']"
              ><KitInput v-bind="bind" v-model="rules.name"
            /></KitField>
            <KitChips v-model="rules.unit" :legend="words.unit" :options="LENGTH_UNITS" />
            <KitChips v-model="rules.coatingUnit" :legend="words.coatingUnit" :options="COATING_UNITS" />
            <KitChips v-model="rules.heatUnit" :legend="words.heatUnit" :options="HEAT_UNITS" />
            <KitField
              v-slot="{ bind }"
              :label="words.timeZone"
              hint="Which day it is, when somebody works, and what is late"
              :error="form.errors['timeZone']"
            >
              <KitSelect v-bind="bind" v-model="rules.timeZone">
                <option value="">the device, as long as nothing is said</option>
                <option v-for="clock in clocks" :key="clock" :value="clock">{{ clock.replaceAll('_', ' ') }}</option>
              </KitSelect>
            </KitField>
            <div class="two">
              <KitField v-slot="{ bind }" :label="words.currency" hint="Three letters" :error="form.errors['currency']"
                ><KitInput mono v-bind="bind" v-model="rules.currency" maxlength="3"
              /></KitField>
              <KitField v-slot="{ bind }" :label="words.taxRate" :error="form.errors['taxRate']"
                ><KitInput mono v-bind="bind" v-model="rules.tax" inputmode="decimal"
              /></KitField>
              <KitField v-slot="{ bind }" :label="words.hour" :error="form.errors['rates.hour']"
                ><KitInput mono v-bind="bind" v-model="rules.hour" inputmode="decimal"
              /></KitField>
              <KitField v-slot="{ bind }" :label="words.sheetDm2" :error="form.errors['rates.sheetDm2']"
                ><KitInput mono v-bind="bind" v-model="rules.sheetDm2" inputmode="decimal"
              /></KitField>
              <KitField v-slot="{ bind }" :label="words.weldMetre" :error="form.errors['rates.weldMetre']"
                ><KitInput mono v-bind="bind" v-model="rules.weldMetre" inputmode="decimal"
              /></KitField>
              <KitField v-slot="{ bind }" :label="words.coatDm2" :error="form.errors['rates.coatDm2']"
                ><KitInput mono v-bind="bind" v-model="rules.coatDm2" inputmode="decimal"
              /></KitField>
            </div>
            <RuleChanges
              :rules="[
                ...(['name', 'unit', 'coatingUnit', 'heatUnit', 'timeZone', 'currency', 'taxRate'] as const),
                ...(['hour', 'sheetDm2', 'weldMetre', 'coatDm2'] as const),
              ]"
              :changed="changed"
            />
            <h2>Limits</h2>
            <LimitRules :typed="rules.limits" :errors="form.errors" @type="Object.assign(rules.limits, $event)" />
            <RuleChanges :rules="['weldableShare', 'weldableMm', 'mountRadius']" :changed="changed" />
            <h2>How it is joined</h2>
            <SchoolRules
              :schools="{ seen: rules.seen, hidden: rules.hidden, flange: rules.flange }"
              :version="rules.version"
              @choose="Object.assign(rules, $event)"
            />
            <KitCheckbox v-model="rules.overlay"
              >{{ words.overlay }}
              <small class="soft"
                >Only over treated, sound metal that carries no load and is not seen. Some testers and judges reject it;
                rust between the sheets goes on unseen.</small
              ></KitCheckbox
            >
            <RuleChanges :rules="['seen', 'hidden', 'flange', 'overlay']" :changed="changed" />
            <h2>How it is welded</h2>
            <WeldingRules
              :welding="rules.welding"
              :version="rules.version"
              @choose="Object.assign(rules.welding, $event)"
            />
            <RuleChanges :rules="['process', 'strategy', 'holding']" :changed="changed" />
            <h2>Coats</h2>
            <KitField
              v-slot="{ bind }"
              :label="`${words.temperature}, ${units.heat.word.value}`"
              hint="As a rule: sheet cools down to it, and coats dry at it"
              :error="form.errors['temperature']"
              ><KitInput mono v-bind="bind" v-model="rules.temperature" inputmode="decimal"
            /></KitField>
            <KitCheckbox v-model="rules.paints"
              >{{ words.paints }}
              <small class="soft"
                >Every panel that is seen then has its paint, and the hours it hardens, as steps. Without it a repair
                ends in surfacer: paint is a job of its own, for the whole car or at another shop.</small
              ></KitCheckbox
            >
            <RuleChanges :rules="['temperature', 'paints']" :changed="changed" />
            <h2>Rules of the place</h2>
            <p class="small soft">
              What the law, the tester or the insurer here asks for, in your own words; it stands first among the
              cautions at that step.
            </p>
            <KitField
              v-for="step in CAUTION_STEPS"
              :key="step"
              v-slot="{ bind }"
              :label="STEP_RULE_WORDS[step]"
              :error="form.errors[`localRules.${step}`]"
              ><KitInput v-bind="bind" v-model="rules.local[step]" rows="2" maxlength="1000"
            /></KitField>
            <RuleChanges :rules="CAUTION_STEPS.map((step) => `local ${step}` as const)" :changed="changed" />
          </fieldset>
          <KitNotice v-if="refused" bad>{{ refused }}</KitNotice>
          <p v-if="saved" class="good" role="status">Saved.</p>
          <MovedTile v-if="owner()" :rules="reckoned" />
          <KitButton submit main v-if="owner()" :disabled="form.busy.value">Save the rules</KitButton>
        </form>
        <PeopleTile />
        <AuditTile v-if="owner()" />
      </div>
    </main>
  </Waiting>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 360px), 1fr));
  gap: 1.25rem;
  margin-top: 1rem;
  align-items: start;
  max-width: 1100px;
}
.bare {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
.check {
  display: flex;
  gap: 0.6rem;
  min-height: 44px;
  align-items: flex-start;
  cursor: pointer;
}
.check small {
  display: block;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
}
</style>
