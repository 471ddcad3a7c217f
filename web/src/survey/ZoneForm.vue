<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { EVIDENCE, ZONE_CLASSES, type Evidence } from '@aspecta/contract/survey';
import type { Layer } from '@aspecta/core/body';
import { isWork, showsMetal, type ZoneClass } from '@aspecta/core/survey';
import { useUnits } from '../shell/units.ts';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';

export interface ZoneDraft {
  class: ZoneClass;
  layer: string;
  evidence: Evidence;
  note: string;
  overruled: string;
}

/* What a zone is, on which layer, by which evidence; the class follows the readings inside or is overruled with a reason. */
const props = defineProps<{
  draft: ZoneDraft;
  layers: readonly Layer[];
  errors: Record<string, string>;
  busy: boolean;
  crossing: string | null;
  existing: boolean;
  canWork: boolean;
  /** What the evidence inside makes of it, where the metal itself was seen or not. */
  told: (isBare: boolean) => { class: ZoneClass; because: string } | null;
}>();
const units = useUnits();
const emit = defineEmits<{ save: [draft: ZoneDraft]; cancel: []; remove: []; layer: [id: string] }>();
const draft = reactive<ZoneDraft>({ ...props.draft });
watch(
  () => props.draft,
  (fresh) => Object.assign(draft, fresh),
);
const told = computed(() => props.told(showsMetal(draft.evidence, draft.class)));
/** Until a person has chosen, the class is the one of the evidence. */
const chosen = ref(props.existing);
watch(
  () => told.value?.class,
  (kind) => {
    if (kind && !chosen.value) draft.class = kind;
  },
  { immediate: true },
);
watch(
  () => draft.layer,
  (id) => emit('layer', id),
);
const classes = (work: boolean) =>
  Object.entries(ZONE_CLASSES)
    .map(([value, label]) => ({ value: value as ZoneClass, label }))
    .filter(({ value }) => isWork(value) === work);
const evidence = Object.entries(EVIDENCE).map(([value, label]) => ({ value: value as Evidence, label }));
const layers = computed(() => props.layers.map((layer) => ({ value: layer.id, label: layer.name })));
const overruling = computed(() => told.value !== null && !isWork(draft.class) && told.value.class !== draft.class);
const asking = ref(false);
const save = () => emit('save', { ...draft, overruled: overruling.value ? draft.overruled : '' });
</script>

<template>
  <form class="stack" @submit.prevent="save">
    <div class="stack" @change="chosen = true">
      <KitChips v-model="draft.class" legend="What is it?" :options="classes(false)" />
      <KitChips v-model="draft.class" legend="Or what is to be done there?" :options="classes(true)" />
    </div>
    <p v-if="told && !isWork(draft.class)" class="small soft">
      By its evidence: <strong>{{ ZONE_CLASSES[told.class].toLowerCase() }}</strong>; {{ units.said(told.because) }}.
    </p>
    <KitField
      v-if="overruling"
      v-slot="{ bind }"
      label="Why not what the evidence says?"
      :error="errors['overruled']"
      hint="The reason is kept with the zone"
    >
      <KitInput v-bind="bind" v-model="draft.overruled" />
    </KitField>
    <KitChips v-if="layers.length > 1" v-model="draft.layer" legend="Which layer?" :options="layers" />
    <KitChips v-if="!isWork(draft.class)" v-model="draft.evidence" legend="How do you know?" :options="evidence" />
    <KitField v-slot="{ bind }" label="Note" :error="errors['note']">
      <KitInput v-bind="bind" v-model="draft.note" rows="2" />
    </KitField>
    <KitNotice bad v-if="crossing ?? errors['ring']">{{ crossing ?? errors['ring'] }}</KitNotice>
    <div v-if="canWork" class="row">
      <KitButton submit main :disabled="busy || crossing !== null">Save the zone</KitButton>
      <KitButton @click="emit('cancel')">Cancel</KitButton>
      <template v-if="existing">
        <KitButton plain v-if="!asking" @click="asking = true">Remove</KitButton>
        <KitButton v-else @click="emit('remove')">Yes, remove it</KitButton>
      </template>
    </div>
  </form>
</template>
