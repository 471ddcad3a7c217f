<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { EVIDENCE, ZONE_CLASSES, type Evidence } from '@aspecta/contract/survey';
import type { Layer } from '@aspecta/core/body';
import { showsMetal, type ZoneClass } from '@aspecta/core/survey';
import Chips from '../shell/Chips.vue';
import Field from '../shell/Field.vue';

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
const classes = Object.entries(ZONE_CLASSES).map(([value, label]) => ({ value: value as ZoneClass, label }));
const evidence = Object.entries(EVIDENCE).map(([value, label]) => ({ value: value as Evidence, label }));
const layers = computed(() => props.layers.map((layer) => ({ value: layer.id, label: layer.name })));
const overruling = computed(() => told.value !== null && told.value.class !== draft.class);
const asking = ref(false);
const save = () => emit('save', { ...draft, overruled: overruling.value ? draft.overruled : '' });
</script>

<template>
  <form class="stack" @submit.prevent="save">
    <div @change="chosen = true"><Chips v-model="draft.class" legend="What is it?" :options="classes" /></div>
    <p v-if="told" class="small soft">
      By its evidence: <strong>{{ ZONE_CLASSES[told.class].toLowerCase() }}</strong>; {{ told.because }}.
    </p>
    <Field
      v-if="overruling"
      v-slot="{ bind }"
      label="Why not what the evidence says?"
      :error="errors['overruled']"
      hint="The reason is kept with the zone"
    >
      <input v-bind="bind" v-model="draft.overruled" class="input" />
    </Field>
    <Chips v-if="layers.length > 1" v-model="draft.layer" legend="Which layer?" :options="layers" />
    <Chips v-model="draft.evidence" legend="How do you know?" :options="evidence" />
    <Field v-slot="{ bind }" label="Note" :error="errors['note']">
      <textarea v-bind="bind" v-model="draft.note" class="input" rows="2" />
    </Field>
    <p v-if="crossing ?? errors['ring']" class="notice bad" role="alert">{{ crossing ?? errors['ring'] }}</p>
    <div v-if="canWork" class="row">
      <button class="btn main" :disabled="busy || crossing !== null">Save the zone</button>
      <button type="button" class="btn" @click="emit('cancel')">Cancel</button>
      <template v-if="existing">
        <button v-if="!asking" type="button" class="btn plain" @click="asking = true">Remove</button>
        <button v-else type="button" class="btn" @click="emit('remove')">Yes, remove it</button>
      </template>
    </div>
  </form>
</template>
