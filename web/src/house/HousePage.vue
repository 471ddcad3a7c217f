<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { Person, Role, Shop } from '@aspecta/contract/shop';
import { ApiProblem, get, post, put } from '../shell/api.ts';
import Chips from '../shell/Chips.vue';
import Field from '../shell/Field.vue';
import { majorUnits, minorUnits } from '../shell/money.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

const session = useSession();
const form = useForm();
const peopleForm = useForm();
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
  version: 0,
});
const fresh = reactive({ name: '', email: '', password: '', role: 'worker' as Role });
const load = useLoad(async () => {
  const [shop, people] = await Promise.all([get<Shop>('/shop'), get<Person[]>('/shop/people')]);
  take(shop);
  return { people };
});
const owner = () => session.current?.person.role === 'owner';
function take(shop: Shop): void {
  Object.assign(rules, {
    name: shop.name,
    currency: shop.currency,
    unit: shop.unit,
    version: shop.version,
    tax: String(Math.round(shop.taxRate * 10_000) / 100),
    ...Object.fromEntries(Object.entries(shop.rates).map(([key, minor]) => [key, majorUnits(minor)])),
  });
  session.setShop(shop);
}
async function save(): Promise<void> {
  saved.value = false;
  saved.value = await form.submit(async () => {
    const tax = Number(rules.tax.replace(',', '.'));
    const rates = {
      hour: minorUnits(rules.hour),
      sheetDm2: minorUnits(rules.sheetDm2),
      weldMetre: minorUnits(rules.weldMetre),
      coatDm2: minorUnits(rules.coatDm2),
    };
    try {
      take(
        await put<Shop>('/shop', {
          name: rules.name,
          currency: rules.currency,
          unit: rules.unit,
          taxRate: Number.isFinite(tax) && rules.tax.trim() !== '' ? tax / 100 : rules.tax,
          rates,
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
async function addPerson(): Promise<void> {
  const done = await peopleForm.submit(async () => {
    await post('/shop/people', { ...fresh });
  });
  if (!done) return;
  Object.assign(fresh, { name: '', email: '', password: '', role: 'worker' });
  await load.reload();
}
async function setRole(person: Person, role: string): Promise<void> {
  await peopleForm.submit(async () => {
    await put(`/shop/people/${person.id}/role`, { role });
  });
  await load.reload();
}
const ROLES = [
  { value: 'owner', label: 'Owner' },
  { value: 'worker', label: 'Worker' },
  { value: 'viewer', label: 'Viewer' },
] as const;
</script>

<template>
  <Waiting :of="load" what="The house rules">
    <main v-if="load.data.value" class="page">
      <p class="eyebrow">House rules</p>
      <h1>By which rules does this shop work?</h1>
      <p v-if="!owner()" class="soft">Only the owner can change them.</p>
      <div class="columns">
        <form class="tile stack" @submit.prevent="save">
          <h2>Units, tax and rates</h2>
          <fieldset class="stack bare" :disabled="!owner()">
            <Field v-slot="{ bind }" label="Name of the shop" :error="form.errors['name']"
              ><input v-bind="bind" v-model="rules.name" class="input"
            /></Field>
            <Chips
              v-model="rules.unit"
              legend="Lengths are shown in"
              :options="[
                { value: 'mm', label: 'Millimetres' },
                { value: 'in', label: 'Inches and fractions' },
              ]"
            />
            <div class="two">
              <Field v-slot="{ bind }" label="Currency" hint="Three letters" :error="form.errors['currency']"
                ><input v-bind="bind" v-model="rules.currency" class="input mono" maxlength="3"
              /></Field>
              <Field v-slot="{ bind }" label="Tax, %" :error="form.errors['taxRate']"
                ><input v-bind="bind" v-model="rules.tax" class="input mono" inputmode="decimal"
              /></Field>
              <Field v-slot="{ bind }" label="An hour of work" :error="form.errors['rates.hour']"
                ><input v-bind="bind" v-model="rules.hour" class="input mono" inputmode="decimal"
              /></Field>
              <Field v-slot="{ bind }" label="Sheet steel, a dm²" :error="form.errors['rates.sheetDm2']"
                ><input v-bind="bind" v-model="rules.sheetDm2" class="input mono" inputmode="decimal"
              /></Field>
              <Field v-slot="{ bind }" label="Wire, gas, discs for 1 m" :error="form.errors['rates.weldMetre']"
                ><input v-bind="bind" v-model="rules.weldMetre" class="input mono" inputmode="decimal"
              /></Field>
              <Field v-slot="{ bind }" label="Coating, a dm²" :error="form.errors['rates.coatDm2']"
                ><input v-bind="bind" v-model="rules.coatDm2" class="input mono" inputmode="decimal"
              /></Field>
            </div>
          </fieldset>
          <p v-if="form.general.value" class="notice bad" role="alert">{{ form.general.value }}</p>
          <p v-if="saved" class="good" role="status">Saved.</p>
          <button v-if="owner()" class="btn main" :disabled="form.busy.value">Save the rules</button>
        </form>
        <section class="tile stack">
          <h2>People</h2>
          <table class="plain">
            <tbody>
              <tr v-for="person in load.data.value.people" :key="person.id">
                <td>
                  {{ person.name }}<br /><span class="soft small">{{ person.email }}</span>
                </td>
                <td>
                  <select
                    v-if="owner()"
                    class="input"
                    :value="person.role"
                    :aria-label="`Role of ${person.name}`"
                    @change="setRole(person, ($event.target as HTMLSelectElement).value)"
                  >
                    <option v-for="role in ROLES" :key="role.value" :value="role.value">
                      {{ role.label }}
                    </option></select
                  ><span v-else>{{ person.role }}</span>
                </td>
              </tr>
            </tbody>
          </table>
          <form v-if="owner()" class="stack" @submit.prevent="addPerson">
            <h3>Add somebody</h3>
            <Field v-slot="{ bind }" label="Name" :error="peopleForm.errors['name']"
              ><input v-bind="bind" v-model="fresh.name" class="input" autocomplete="off"
            /></Field>
            <Field v-slot="{ bind }" label="E-mail" :error="peopleForm.errors['email']"
              ><input v-bind="bind" v-model="fresh.email" class="input" type="email" autocomplete="off"
            /></Field>
            <Field
              v-slot="{ bind }"
              label="Password"
              hint="At least 10 characters; to be changed hand to hand"
              :error="peopleForm.errors['password']"
              ><input v-bind="bind" v-model="fresh.password" class="input" type="password" autocomplete="new-password"
            /></Field>
            <Chips v-model="fresh.role" legend="May do" :options="ROLES" />
            <p v-if="peopleForm.general.value ?? peopleForm.errors['role']" class="notice bad" role="alert">
              {{ peopleForm.general.value ?? peopleForm.errors['role'] }}
            </p>
            <button class="btn" :disabled="peopleForm.busy.value">Add</button>
          </form>
        </section>
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
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
}
</style>
