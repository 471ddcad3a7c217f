<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import { SUBJECT_WORDS, type EventView, type Timeline } from '@aspecta/contract/record';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitSelect from '../kit/KitSelect.vue';
import { get, post } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { dayOf, hourOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';

/* What happened on a car, newest first, by day; by station and by word. */
const props = defineProps<{ vehicle: string; first: Timeline }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const shown = shallowRef<Timeline>(props.first);
const subject = ref('');
const search = ref('');
const ask = (before?: string) =>
  get<Timeline>(
    `/vehicles/${props.vehicle}/timeline?${new URLSearchParams({ subject: subject.value, search: search.value, ...(before ? { before } : {}) })}`,
  );
const look = () =>
  form.submit(async () => {
    shown.value = await ask();
  });
const older = () =>
  form.submit(async () => {
    const more = await ask(shown.value.events.at(-1)!.at);
    shown.value = { ...more, events: [...shown.value.events, ...more.events] };
  });
/** Undone from here; where something else has become of it meanwhile, the server says so. */
const undo = ({ path, body }: NonNullable<EventView['undo']>) =>
  form.submit(async () => {
    await post(path, body);
    shown.value = await ask();
  });
const days = computed(() => {
  const groups: { day: string; events: EventView[] }[] = [];
  for (const event of shown.value.events) {
    const day = dayOf(event.at);
    const last = groups.at(-1);
    if (last?.day === day) last.events.push(event);
    else groups.push({ day, events: [event] });
  }
  return groups;
});
function choose(value: string): void {
  subject.value = value;
  void look();
}
</script>

<template>
  <div class="stack">
    <form class="row bar" @submit.prevent="look">
      <KitField v-slot="{ bind }" label="Station"
        ><KitSelect v-bind="bind" :model-value="subject" @update:model-value="choose(String($event))"
          ><option value="">All</option>
          <option v-for="one in first.subjects" :key="one.subject" :value="one.subject">
            {{ SUBJECT_WORDS[one.subject] ?? one.subject }} ({{ one.count }})
          </option></KitSelect
        ></KitField
      >
      <KitField v-slot="{ bind }" label="Word"><KitInput v-bind="bind" v-model="search" type="search" /></KitField>
      <KitButton submit :disabled="form.busy.value">Look</KitButton>
    </form>
    <p v-if="form.rest()" class="bad">{{ form.rest() }}</p>
    <p v-if="shown.events.length === 0" class="soft">Nothing of this kind.</p>
    <section v-for="group in days" :key="group.day">
      <h2>{{ group.day }}</h2>
      <ul class="plain">
        <li v-for="event in group.events" :key="event.id">
          <span class="mono soft">{{ hourOf(event.at) }}</span>
          <span class="what">{{ SUBJECT_WORDS[event.subject] ?? event.subject }}</span>
          <span
            >{{ units.said(event.text) }} <span class="soft small">({{ event.by }})</span>
            <KitButton
              v-if="event.undo && session.canWork"
              small
              plain
              :disabled="form.busy.value"
              :aria-label="`${event.undo.says}: ${units.said(event.text)}`"
              @click="undo(event.undo)"
              >{{ event.undo.says }}</KitButton
            ></span
          >
        </li>
      </ul>
    </section>
    <KitButton v-if="shown.more" :disabled="form.busy.value" @click="older">Older</KitButton>
  </div>
</template>

<style scoped>
.bar {
  align-items: flex-end;
  gap: 0.6rem;
  flex-wrap: wrap;
}
h2 {
  font-size: 1.05rem;
  margin: 0.6rem 0 0.2rem;
}
.plain li {
  display: grid;
  grid-template-columns: 3.5rem 9rem 1fr;
  gap: 0.6rem;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--line);
}
.what {
  font-weight: 600;
}
@media (max-width: 600px) {
  .plain li {
    grid-template-columns: 3.5rem 1fr;
  }
  .plain li > span:last-child {
    grid-column: 1 / -1;
  }
}
</style>
