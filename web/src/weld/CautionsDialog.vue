<script setup lang="ts">
import { ref } from 'vue';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { cautionsFor, DEFERENCE } from '@aspecta/core/safety';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { useUnits } from '../shell/units.ts';

const props = defineProps<{ repair: string }>();
const units = useUnits();
const emit = defineEmits<{ close: []; done: [] }>();
const session = useSession();
const form = useForm();
const read = ref(false);
const cautions = cautionsFor('weld');
async function acknowledge(): Promise<void> {
  if (await form.submit(async () => void (await post<WeldPlanView>(`/repairs/${props.repair}/weld/acknowledge`))))
    emit('done');
}
</script>

<template>
  <KitDialog title="Before the first arc" wide @close="emit('close')">
    <ul>
      <li v-for="caution in cautions" :key="caution.id">
        <strong>{{ caution.title }}.</strong> {{ units.said(caution.text) }}
      </li>
    </ul>
    <p class="soft">{{ DEFERENCE }}</p>
    <KitCheckbox v-model="read"
      >I have read these and have seen to them. My name ({{ session.current?.person.name }}) and the time are
      noted.</KitCheckbox
    >
    <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
    <div class="row">
      <KitButton main :disabled="!read || form.busy.value" @click="acknowledge">To the bench</KitButton
      ><KitButton @click="emit('close')">Not yet</KitButton>
    </div>
  </KitDialog>
</template>

<style scoped>
ul {
  padding-left: 1.1rem;
  display: grid;
  gap: 0.4rem;
  margin: 0 0 0.75rem;
}
.check {
  min-height: 44px;
  flex-wrap: nowrap;
  margin-bottom: 0.75rem;
}
</style>
