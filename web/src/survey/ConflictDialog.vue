<script setup lang="ts">
import { EVIDENCE, ZONE_CLASSES, type ZoneView } from '@aspecta/contract/survey';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitTable from '../kit/KitTable.vue';
import { timeOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';

defineProps<{ mine: ZoneView; theirs: ZoneView }>();
const emit = defineEmits<{ choose: [keepMine: boolean] }>();
const units = useUnits();
const rows: readonly { label: string; of: (zone: ZoneView) => string }[] = [
  { label: 'What it is', of: (zone) => ZONE_CLASSES[zone.class] },
  { label: 'Evidence', of: (zone) => EVIDENCE[zone.evidence] },
  { label: 'Layer', of: (zone) => zone.layer },
  { label: 'Corners', of: (zone) => zone.ring.map(([u, v]) => `${Math.round(u)}/${Math.round(v)}`).join('  ') },
  { label: 'Sound islands', of: (zone) => String(zone.holes.length) },
  { label: 'Why not what the evidence says', of: (zone) => zone.overruled || '–' },
  { label: 'Note', of: (zone) => zone.note || '–' },
];
</script>

<template>
  <KitDialog title="Somebody else has changed this zone" wide stay>
    <p>
      {{ theirs.changedBy }} saved it on {{ timeOf(theirs.changedAt) }}, after you opened it. Nothing has been
      overwritten: choose which one stays.
    </p>
    <KitTable>
      <thead>
        <tr>
          <th />
          <th>Yours</th>
          <th>Stored now</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.label" :class="{ differs: row.of(mine) !== row.of(theirs) }">
          <th scope="row">{{ row.label }}</th>
          <td>{{ row.of(mine) }}</td>
          <td>{{ row.of(theirs) }}</td>
        </tr>
        <tr>
          <th scope="row">Area stored</th>
          <td />
          <td>{{ units.area(theirs.area) }}</td>
        </tr>
      </tbody>
    </KitTable>
    <div class="row" style="margin-top: 1rem">
      <KitButton main @click="emit('choose', true)">Keep mine</KitButton
      ><KitButton @click="emit('choose', false)">Take the stored one</KitButton>
    </div>
  </KitDialog>
</template>

<style scoped>
.differs td {
  background: var(--mark-soft);
}
</style>
