<script setup lang="ts">
import { reactive, ref, shallowRef } from 'vue';
import type { NewShare, ShareView } from '@aspecta/contract/record';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post, remove } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { decimal } from '../shell/typedNumber.ts';
import { useForm } from '../shell/useForm.ts';
import { dayOf } from '../shell/days.ts';

/* Links by which somebody without an account reads the record: made, counted, revoked. */
const props = defineProps<{ vehicle: string; first: readonly ShareView[] }>();
const session = useSession();
const form = useForm();
const shares = shallowRef<readonly ShareView[]>(props.first);
const draft = reactive({ label: '', days: '14' });
const link = ref<string | null>(null);
const at = `/vehicles/${props.vehicle}/shares`;
const share = () =>
  form.submit(async () => {
    const made = await post<NewShare>(at, { label: draft.label, days: decimal(draft.days) });
    shares.value = made.shares;
    link.value = `${window.location.origin}/shared/${made.token}`;
    draft.label = '';
  });
const revoke = (id: string) =>
  form.submit(async () => {
    shares.value = await remove<ShareView[]>(`${at}/${id}`);
  });
const now = Date.now();
const word = ({ revokedAt, expiresAt }: ShareView) =>
  revokedAt
    ? `revoked ${dayOf(revokedAt)}`
    : Date.parse(expiresAt) < now
      ? `over since ${dayOf(expiresAt)}`
      : `until ${dayOf(expiresAt)}`;
const holds = ({ revokedAt, expiresAt }: ShareView) => !revokedAt && Date.parse(expiresAt) >= now;
</script>

<template>
  <section class="stack share">
    <p>
      A link lets somebody without an account read the record of this car: damage, decisions, metal, welds, coats and
      measurements, without hours and prices.
    </p>
    <form v-if="session.canWork" class="row bar" @submit.prevent="share">
      <KitField v-slot="{ bind }" label="For whom" :error="form.errors['label']"
        ><KitInput v-bind="bind" v-model="draft.label"
      /></KitField>
      <KitField v-slot="{ bind }" label="Days" :error="form.errors['days']"
        ><KitInput v-bind="bind" v-model="draft.days" mono inputmode="numeric"
      /></KitField>
      <KitButton submit main :disabled="form.busy.value">Make a link</KitButton>
    </form>
    <KitNotice v-if="link">
      <p>This link is shown once. Copy it now:</p>
      <p class="mono link">{{ link }}</p>
    </KitNotice>
    <KitNotice v-if="form.rest('label', 'days')" bad>{{ form.rest('label', 'days') }}</KitNotice>
    <ul class="plain">
      <li v-for="one in shares" :key="one.id" class="row spread">
        <span
          ><strong>{{ one.label }}</strong>
          <span class="small soft">
            {{ word(one) }}, opened {{ one.opened }} {{ one.opened === 1 ? 'time' : 'times' }}, made by
            {{ one.by }}</span
          ></span
        >
        <KitButton v-if="session.canWork && holds(one)" small :disabled="form.busy.value" @click="revoke(one.id)"
          >Revoke</KitButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.share {
  max-width: 900px;
}
.bar {
  align-items: flex-end;
  gap: 0.6rem;
  flex-wrap: wrap;
}
.link {
  overflow-wrap: anywhere;
}
.plain li {
  min-height: 44px;
}
</style>
