<script setup lang="ts">
import { ref } from 'vue';
import type { OrderLine } from '@aspecta/contract/order';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { put } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { dayOf, timeOf } from '../shell/days.ts';
import { isConflict } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';

/* Where a parcel is, by its number: what the carrier says of it, and when it comes. */
const props = defineProps<{ line: OrderLine }>();
const emit = defineEmits<{ changed: []; arrived: [] }>();
const session = useSession();
const form = useForm();
const asking = ref(false);
const number = ref('');

async function follow(to: string): Promise<void> {
  const done = await form.submit(async () => {
    try {
      await put(`/orders/${props.line.id}/track`, { number: to.trim(), version: props.line.version });
    } catch (error) {
      if (isConflict(error)) emit('changed');
      throw error;
    }
  });
  if (!done) return;
  asking.value = false;
  emit('changed');
}
</script>

<template>
  <section v-if="line.tracking" class="shipment" role="group" aria-label="Where the parcel is">
    <p>
      <strong v-if="line.tracking.handedOver">The carrier has handed it over: is it here?</strong>
      <strong v-else>The carrier brings it on {{ dayOf(line.tracking.expected) }}</strong>
      <span v-if="!line.tracking.handedOver && line.due && line.tracking.expected > line.due" class="alarm">
        – promised for {{ dayOf(line.due) }}</span
      >
    </p>
    <ol class="small soft">
      <li v-for="one in line.tracking.steps" :key="one.at">{{ timeOf(one.at) }} – {{ one.text.toLowerCase() }}</li>
    </ol>
    <p class="small soft">Parcel {{ line.tracking.number }}; a carrier that is made up stands in for the true one.</p>
    <div v-if="session.canWork" class="row">
      <KitButton v-if="line.tracking.handedOver" small main @click="emit('arrived')">It is here</KitButton>
      <KitButton small plain :disabled="form.busy.value" @click="follow('')">Do not follow it any more</KitButton>
    </div>
    <p v-if="form.rest()" class="alarm small">{{ form.rest() }}</p>
  </section>
  <form v-else-if="asking" class="row ask" @submit.prevent="follow(number)">
    <KitField v-slot="{ bind }" label="Number of the parcel" :error="form.errors['number'] ?? form.rest('number')"
      ><KitInput v-bind="bind" v-model="number" mono required
    /></KitField>
    <KitButton submit main :disabled="form.busy.value">Follow it</KitButton>
    <KitButton @click="asking = false">Cancel</KitButton>
  </form>
  <KitButton v-else-if="session.canWork" small plain @click="asking = true">Follow its parcel</KitButton>
</template>

<style scoped>
.shipment {
  border-left: 4px solid var(--mark);
  padding-left: 0.8rem;
}
.shipment p {
  margin: 0.1rem 0;
}
.shipment ol {
  margin: 0.2rem 0;
  padding: 0;
  list-style: none;
}
.ask {
  align-items: end;
}
</style>
