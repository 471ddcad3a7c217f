<script setup lang="ts">
import KitChips from '../kit/KitChips.vue';

/* One question on which the trade has its schools: what is chosen, and each school in a sentence with what it comes to. */
defineProps<{
  legend: string;
  chosen: string;
  options: readonly { value: string; label: string }[];
  /** Each school: its name, what it stands for, and what it comes to; empty as long as that is not reckoned. */
  schools: readonly { value: string; name: string; sentence: string; comesTo: string }[];
}>();
const emit = defineEmits<{ choose: [value: string] }>();
</script>

<template>
  <section class="school">
    <KitChips
      :model-value="chosen"
      :legend="legend"
      :options="options"
      @update:model-value="emit('choose', String($event))"
    />
    <dl class="small">
      <div v-for="school in schools" :key="school.value" :class="{ chosen: chosen === school.value }">
        <dt>
          {{ school.name }}<span v-if="school.comesTo" class="mono">{{ school.comesTo }}</span>
        </dt>
        <dd class="soft">{{ school.sentence }}</dd>
      </div>
    </dl>
    <slot />
  </section>
</template>

<style scoped>
.school {
  display: grid;
  gap: 0.4rem;
}
dl {
  display: grid;
  gap: 0.4rem;
  margin: 0;
}
dl > div {
  border-left: 3px solid var(--line);
  padding-left: 0.6rem;
}
dl > .chosen {
  border-left-color: var(--mark);
}
dt {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  justify-content: space-between;
  font-weight: 500;
}
dd {
  margin: 0;
}
</style>
