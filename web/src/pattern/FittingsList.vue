<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PatternView } from '@aspecta/contract/pattern';
import type { Fitting } from '@aspecta/core/pattern';
import { boxOf } from '@aspecta/core/geometry';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { useUnits } from '../shell/units.ts';

/* What sits in the piece: captive nuts, locating holes, drains of one's own; measured from its left end and its lower edge. */
const props = defineProps<{ view: PatternView; canWork: boolean; busy: boolean; wrong: string | null }>();
const emit = defineEmits<{ say: [fittings: Fitting[]] }>();
const units = useUnits();
const origin = computed(() => {
  const { minU, minV } = boxOf(props.view.piece);
  return { minU, minV };
});
const own = computed(() => props.view.settings.fittings);
const isOwn = (one: Fitting) =>
  own.value.some(({ name, at }) => name === one.name && at[0] === one.at[0] && at[1] === one.at[1]);
const rows = computed(() =>
  props.view.blank.fittings.map((one) => ({
    one,
    own: isOwn(one),
    text: [
      one.diameter > 0 ? `hole of ${units.length(one.diameter)}` : 'marked',
      `${units.length(one.at[0] - origin.value.minU)} from the left end`,
      `${units.length(one.at[1] - origin.value.minV)} from the lower edge`,
    ].join(', '),
  })),
);
const adding = ref(false);
const name = ref('Captive nut');
const hole = ref('');
const left = ref('');
const low = ref('');
const bad = ref<Partial<Record<'name' | 'hole' | 'left' | 'low', string>>>({});
function add(): void {
  const [diameter, u, v] = [
    hole.value.trim() === '' ? 0 : units.read(hole.value),
    units.read(left.value),
    units.read(low.value),
  ];
  bad.value = {
    ...(name.value.trim() === '' ? { name: 'Say what sits there, as “captive nut”.' } : {}),
    ...(diameter === null || diameter < 0 ? { hole: `${units.noLength()} Empty: it is only marked.` } : {}),
    ...(u === null ? { left: units.noLength() } : {}),
    ...(v === null ? { low: units.noLength() } : {}),
  };
  if (Object.keys(bad.value).length > 0) return;
  emit('say', [
    ...own.value,
    { name: name.value.trim(), diameter: diameter!, at: [origin.value.minU + u!, origin.value.minV + v!] },
  ]);
}
const drop = (one: Fitting) =>
  emit(
    'say',
    own.value.filter(({ name, at }) => name !== one.name || at[0] !== one.at[0] || at[1] !== one.at[1]),
  );
</script>

<template>
  <ul v-if="rows.length > 0" class="fittings">
    <li v-for="(row, i) in rows" :key="i" class="row spread">
      <span
        ><strong>{{ row.one.name }}</strong
        >: {{ row.text
        }}<small v-if="!row.own" class="soft"> – of the panel; measure it before the old piece goes</small></span
      >
      <KitButton
        v-if="row.own && canWork"
        small
        plain
        :disabled="busy"
        :aria-label="`Take ${row.one.name} away`"
        @click="drop(row.one)"
        >Take away</KitButton
      >
    </li>
  </ul>
  <p v-else class="small soft">Nothing but what is cut out of it.</p>
  <form v-if="adding" class="stack" @submit.prevent="add">
    <KitField v-slot="{ bind }" label="What sits there" :error="bad.name ?? null"
      ><KitInput v-bind="bind" v-model="name" maxlength="60"
    /></KitField>
    <KitField
      v-slot="{ bind }"
      :label="`Hole across, ${units.word.value}`"
      hint="Empty: it is only marked"
      :error="bad.hole ?? null"
      ><KitInput v-bind="bind" v-model="hole" mono autocomplete="off"
    /></KitField>
    <div class="two">
      <KitField v-slot="{ bind }" label="From the left end" :error="bad.left ?? null"
        ><KitInput v-bind="bind" v-model="left" mono autocomplete="off"
      /></KitField>
      <KitField v-slot="{ bind }" label="From the lower edge" :error="bad.low ?? wrong"
        ><KitInput v-bind="bind" v-model="low" mono autocomplete="off"
      /></KitField>
    </div>
    <div class="row">
      <KitButton submit main :disabled="busy">Put it in</KitButton>
      <KitButton @click="adding = false">Done</KitButton>
    </div>
  </form>
  <KitButton v-else-if="canWork" small @click="adding = true">Add a nut or a hole</KitButton>
</template>

<style scoped>
.fittings {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.3rem;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(8.5rem, 1fr));
  gap: 0.5rem;
  align-items: end;
}
</style>
