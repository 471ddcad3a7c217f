<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { EVIDENCE, ZONE_CLASSES, type Evidence } from '@aspecta/contract/survey';
import type { Layer } from '@aspecta/core/body';
import type { ZoneClass } from '@aspecta/core/survey';
import Chips from '../shell/Chips.vue';
import Field from '../shell/Field.vue';

export interface ZoneDraft {
  class: ZoneClass;
  layer: string;
  evidence: Evidence;
  note: string;
}

/* What a zone is, on which layer, by which evidence. */
const props = defineProps<{
  draft: ZoneDraft;
  layers: readonly Layer[];
  errors: Record<string, string>;
  busy: boolean;
  crossing: string | null;
  existing: boolean;
  canWork: boolean;
}>();
const emit = defineEmits<{ save: [draft: ZoneDraft]; cancel: []; remove: [] }>();
const draft = reactive<ZoneDraft>({ ...props.draft });
watch(
  () => props.draft,
  (fresh) => Object.assign(draft, fresh),
);
const classes = Object.entries(ZONE_CLASSES).map(([value, label]) => ({ value: value as ZoneClass, label }));
const evidence = Object.entries(EVIDENCE).map(([value, label]) => ({ value: value as Evidence, label }));
const layers = computed(() => props.layers.map((layer) => ({ value: layer.id, label: layer.name })));
const asking = ref(false);
</script>

<template>
  <form class="stack" @submit.prevent="emit('save', { ...draft })">
    <Chips v-model="draft.class" legend="What is it?" :options="classes" />
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
