<script setup lang="ts">
import { computed, ref } from 'vue';
import { COAT_WORDS, SIDE_WORDS, type SystemsView } from '@aspecta/contract/close';
import {
  COAT_KINDS,
  COATED_SIDES,
  usualSystems,
  type CoatedSide,
  type CoatKind,
  type CoatSystems,
  type SystemCoat,
} from '@aspecta/core/close';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { put } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { overTheirs } from '../shell/theirs.ts';
import { decimal } from '../shell/typedNumber.ts';
import { useForm } from '../shell/useForm.ts';

/* What goes onto each side of the metal in this shop, first coat first: quantities and steps follow it. */
const props = defineProps<{ systems: SystemsView }>();
const emit = defineEmits<{ changed: [systems: SystemsView] }>();
const session = useSession();
const form = useForm();
const isOwner = computed(() => session.current?.person.role === 'owner');
const editing = ref<CoatedSide | null>(null);
/** Coats as they are typed. */
const draft = ref<{ kind: CoatKind; coats: string }[]>([]);
const told = (coats: readonly SystemCoat[]) =>
  coats.map(({ kind, coats: n }) => `${n} × ${COAT_WORDS[kind].toLowerCase()}`).join(', ');

function open(side: CoatedSide): void {
  draft.value = props.systems.systems[side].map(({ kind, coats }) => ({ kind, coats: String(coats) }));
  editing.value = side;
}
async function keep(systems: CoatSystems | null): Promise<void> {
  const done = await form.submit(() =>
    overTheirs<SystemsView>(
      'the coats of the shop',
      (stored) => emit('changed', stored),
      async () => emit('changed', await put<SystemsView>('/systems', { systems, version: props.systems.version })),
    ),
  );
  if (done) editing.value = null;
}
const keepSide = (side: CoatedSide) =>
  keep({
    ...props.systems.systems,
    [side]: draft.value.map(({ kind, coats }) => ({ kind, coats: decimal(coats) as number })),
  });
const errorOf = (side: CoatedSide, i: number) => form.errors[`systems.${side}[${i}].coats`];
</script>

<template>
  <KitCollapse title="What goes onto which side">
    <div class="stack">
      <p class="small soft">
        First coat first. What is still to be bought and the steps of every job follow it; coats that are on stay.
      </p>
      <ul class="plain">
        <li v-for="side in COATED_SIDES" :key="side" class="row spread">
          <span
            ><strong>{{ SIDE_WORDS[side] }}</strong
            ><br /><span class="small">{{ told(systems.systems[side]) }}</span></span
          >
          <KitButton v-if="isOwner" small :aria-label="`Change: ${SIDE_WORDS[side]}`" @click="open(side)"
            >Change</KitButton
          >
        </li>
      </ul>
      <KitButton v-if="isOwner && !systems.usual" small :disabled="form.busy.value" @click="keep(null)"
        >All as is usual again</KitButton
      >
    </div>
    <KitDialog v-if="editing" :title="SIDE_WORDS[editing]" @close="editing = null">
      <form class="stack" @submit.prevent="keepSide(editing)">
        <div v-for="(coat, i) in draft" :key="i" class="row coat">
          <KitField v-slot="{ bind }" :label="`Coat ${i + 1}`"
            ><KitSelect
              v-bind="bind"
              :model-value="coat.kind"
              @update:model-value="draft[i]!.kind = String($event) as CoatKind"
              ><option v-for="kind in COAT_KINDS" :key="kind" :value="kind">{{ COAT_WORDS[kind] }}</option></KitSelect
            ></KitField
          >
          <KitField v-slot="{ bind }" label="How many" :error="errorOf(editing, i)"
            ><KitInput v-bind="bind" v-model="coat.coats" mono inputmode="numeric"
          /></KitField>
          <KitButton v-if="draft.length > 1" :aria-label="`Leave coat ${i + 1} out`" @click="draft.splice(i, 1)"
            >Leave it out</KitButton
          >
        </div>
        <KitButton v-if="draft.length < 6" small @click="draft.push({ kind: 'wax', coats: '1' })">Add a coat</KitButton>
        <p class="small soft">As is usual: {{ told(usualSystems[editing]) }}.</p>
        <KitNotice v-if="form.rest(...draft.map((_, i) => `systems.${editing}[${i}].coats`))" bad>{{
          form.rest(...draft.map((_, i) => `systems.${editing}[${i}].coats`))
        }}</KitNotice>
        <div class="row">
          <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
          <KitButton @click="editing = null">Cancel</KitButton>
        </div>
      </form>
    </KitDialog>
  </KitCollapse>
</template>

<style scoped>
.coat {
  align-items: end;
}
</style>
