<script setup lang="ts">
import { shallowRef, watch } from 'vue';
import { EVIDENCE, ZONE_CLASSES, type ZoneVersionView } from '@aspecta/contract/survey';
import { get } from '../shell/api.ts';
import { useForm } from '../shell/useForm.ts';
import { timeOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';

/* How a zone grew: after stripping, after blasting, after the cut. */
const props = defineProps<{ vehicle: string; zone: string }>();
const units = useUnits();
const form = useForm();
const versions = shallowRef<readonly ZoneVersionView[]>([]);
watch(
  () => props.zone,
  (zone) =>
    form.submit(async () => {
      versions.value = await get<ZoneVersionView[]>(`/vehicles/${props.vehicle}/zones/${zone}/history`);
    }),
  { immediate: true },
);
</script>

<template>
  <div v-if="versions.length > 1 || form.rest()">
    <p class="eyebrow">How it grew</p>
    <p v-if="form.rest()" class="small alarm">{{ form.rest() }}</p>
    <ol class="small">
      <li v-for="version in versions" :key="version.version">
        <span class="mono">{{ units.area(version.area) }}</span> {{ ZONE_CLASSES[version.class].toLowerCase() }},
        {{ EVIDENCE[version.evidence].toLowerCase() }}
        <span class="soft"
          >– {{ version.by }}, {{ timeOf(version.at) }}{{ version.overruled ? `; ${version.overruled}` : '' }}</span
        >
      </li>
    </ol>
  </div>
</template>

<style scoped>
ol {
  margin: 0;
  padding-left: 1.2rem;
}
</style>
