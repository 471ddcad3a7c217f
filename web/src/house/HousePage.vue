<script setup lang="ts">
import { computed } from 'vue';
import {
  COATING_UNITS,
  HEAT_UNITS,
  LENGTH_UNITS,
  ruleWords,
  STEP_RULE_WORDS,
  METALWORK_WORDS,
  type MetalworkQuestion,
} from '@aspecta/contract/shop';
import { CAUTION_STEPS } from '@aspecta/core/safety';
import AuditTile from '../account/AuditTile.vue';
import PeopleTile from '../account/PeopleTile.vue';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitSelect from '../kit/KitSelect.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import Waiting from '../shell/Waiting.vue';
import MovedTile from './MovedTile.vue';
import LimitRules from './LimitRules.vue';
import MetalworkRules from './MetalworkRules.vue';
import ToolRules from './ToolRules.vue';
import { LIMITS } from './typedLimits.ts';
import RuleChanges from './RuleChanges.vue';
import SchoolRules from './SchoolRules.vue';
import { useHouseRules } from './useHouseRules.ts';
import WeldingRules from './WeldingRules.vue';

const session = useSession();
const units = useUnits();
const { rules, load, changed, reckoned, save, saved, form } = useHouseRules();
const words = computed(() => ruleWords(units.unit.value));
/** Every clock that this device knows, and that of the shop. */
const clocks = computed(() => [
  ...new Set([...Intl.supportedValuesOf('timeZone'), ...(rules.timeZone ? [rules.timeZone] : [])]),
]);
const METALWORK = Object.keys(METALWORK_WORDS) as MetalworkQuestion[];
/** What was refused of no field that stands here. */
const refused = computed(() =>
  form.rest(
    'currency',
    ...CAUTION_STEPS.map((step) => `localRules.${step}`),
    ...LIMITS.map((limit) => `limits.${limit}`),
    'name',
    'rates.coatDm2',
    'rates.hour',
    'rates.sheetDm2',
    'rates.weldMetre',
    'taxRate',
    'temperature',
    'timeZone',
    'tools.bender',
    'tools.spotArm',
  ),
);
const owner = () => session.current?.person.role === 'owner';
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
      <form @submit.prevent="save">
        <fieldset class="bare subjects" :disabled="!owner()">
          <section class="tile stack">
            <h2>Units, tax and rates</h2>
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
          </section>
          <section class="tile stack">
            <h2>Limits</h2>
            <LimitRules :typed="rules.limits" :errors="form.errors" @type="Object.assign(rules.limits, $event)" />
            <RuleChanges :rules="LIMITS" :changed="changed" />
          </section>
          <section class="tile stack">
            <h2>What stands here</h2>
            <ToolRules :typed="rules.tools" :errors="form.errors" @type="Object.assign(rules.tools, $event)" />
            <RuleChanges :rules="['spotArm', 'bender', 'turns']" :changed="changed" />
          </section>
          <section class="tile stack">
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
          </section>
          <section class="tile stack">
            <h2>How metal is worked</h2>
            <MetalworkRules
              :metalwork="rules.metalwork"
              :version="rules.version"
              @choose="Object.assign(rules.metalwork, $event)"
            />
            <RuleChanges :rules="METALWORK" :changed="changed" />
          </section>
          <section class="tile stack">
            <h2>How it is welded</h2>
            <WeldingRules
              :welding="rules.welding"
              :version="rules.version"
              @choose="Object.assign(rules.welding, $event)"
            />
            <RuleChanges :rules="['process', 'strategy', 'holding', 'heat']" :changed="changed" />
          </section>
          <section class="tile stack">
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
          </section>
          <section class="tile stack">
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
          </section>
        </fieldset>
        <div class="tile stack keep">
          <KitNotice v-if="refused" bad>{{ refused }}</KitNotice>
          <p v-if="saved" class="good" role="status">Saved.</p>
          <MovedTile v-if="owner()" :rules="reckoned" />
          <KitButton submit main v-if="owner()" :disabled="form.busy.value">Save the rules</KitButton>
        </div>
      </form>
      <div class="columns">
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
.subjects {
  columns: 2 360px;
  column-gap: 1.25rem;
  max-width: 1100px;
}
.subjects > .tile {
  margin-bottom: 1.25rem;
  break-inside: avoid;
}
.keep {
  max-width: 1100px;
}
.keep > :is(.notice, .good) {
  grid-column: 1 / -1;
}
@media (min-width: 760px) and (min-height: 600px) {
  /* What they would move, and the way to keep them, stay in reach of a long page. */
  .keep {
    position: sticky;
    bottom: 0;
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: start;
    max-height: 45vh;
    overflow-y: auto;
    z-index: 2;
    box-shadow: 0 2px 14px rgb(0 0 0 / 18%);
  }
}
.bare {
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
}
</style>
