<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { FindChange, FindView } from '@aspecta/contract/survey';
import { SIGNS, signOf } from '@aspecta/core/survey';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import KitUpload from '../kit/KitUpload.vue';
import { sendPhoto } from '../photo/takePhoto.ts';
import { post, put } from '../shell/api.ts';
import { theirs } from '../shell/theirs.ts';
import { dayOf, timeOf } from '../shell/days.ts';
import { useForm } from '../shell/useForm.ts';

/* One find: what it is and who found it; changed, cured with how and a picture, opened again, taken away. */
const props = defineProps<{ find: FindView; vehicle: string; panelName: string | null; canWork: boolean }>();
const emit = defineEmits<{ changed: [find: FindView]; gone: [find: FindView] }>();
const form = useForm();
const doing = ref<'change' | 'close' | null>(null);
const draft = reactive({ sign: props.find.sign, note: props.find.note, how: '', photoId: null as string | null });
const path = () => `/vehicles/${props.vehicle}/finds/${props.find.id}`;

function begin(what: 'change' | 'close'): void {
  doing.value = doing.value === what ? null : what;
  Object.assign(draft, { sign: props.find.sign, note: props.find.note, how: '', photoId: null });
}
async function change(changes: Partial<FindChange>): Promise<void> {
  const { sign, note, closed, version } = props.find;
  const done = await form.submit(async () => {
    try {
      emit('changed', await put<FindView>(path(), { sign, note, closed: closedBody(closed), version, ...changes }));
    } catch (error) {
      // What is stored now is shown; what was typed stays and can be sent again.
      const stored = theirs<FindView>(error);
      if (stored) emit('changed', stored);
      throw error;
    }
  });
  if (done) doing.value = null;
}
const closedBody = (closed: FindView['closed']) => closed && { note: closed.note, photoId: closed.photoId };
const keepChange = () => change({ sign: draft.sign, note: draft.note });
const close = () => change({ closed: { note: draft.how, photoId: draft.photoId } });
async function takeAway(): Promise<void> {
  if (await form.submit(() => post(`${path()}/remove`))) emit('gone', props.find);
}
async function picture([file]: readonly File[]): Promise<void> {
  const { panel, layer, u, v } = props.find;
  await form.submit(async () => {
    draft.photoId = await sendPhoto(props.vehicle, file!, { panel, layer, u, v, note: draft.how || 'Cured' });
  });
}
</script>

<template>
  <li class="find" :class="{ grave: find.structural && !find.closed, cured: find.closed }">
    <strong>{{ signOf(find.sign).title }}</strong><template v-if="panelName">, {{ panelName.toLowerCase() }}</template>
    <span v-if="!find.closed" class="small soft"> – {{ signOf(find.sign).meaning }}</span>
    <span class="small soft block"
      >{{ find.note ? `${find.note} · ` : '' }}{{ find.by }}, {{ find.at ? timeOf(find.at) : 'just now' }}</span
    >
    <span v-if="find.closed" class="small block"
      >Cured {{ dayOf(find.closed.at) }}, {{ find.closed.by }}: {{ find.closed.note
      }}<template v-if="find.closed.photoId">
        · <RouterLink :to="`/vehicles/${vehicle}/photos/${find.closed.photoId}`">picture</RouterLink></template
      ></span
    >
    <div v-if="canWork && find.version > 0" class="row acts">
      <template v-if="find.closed">
        <KitButton small plain :disabled="form.busy.value" @click="change({ closed: null })">Open again</KitButton>
      </template>
      <template v-else>
        <KitButton small :aria-pressed="doing === 'close'" @click="begin('close')">It is cured</KitButton>
        <KitButton small plain :aria-pressed="doing === 'change'" @click="begin('change')">Change</KitButton>
        <KitButton small plain :disabled="form.busy.value" @click="takeAway">Remove</KitButton>
      </template>
    </div>
    <form v-if="doing === 'close'" class="stack" @submit.prevent="close">
      <KitField v-slot="{ bind }" label="How was it cured?" :error="form.errors['closed.note']"
        ><KitInput v-bind="bind" v-model="draft.how"
      /></KitField>
      <div class="row">
        <KitUpload
          :label="draft.photoId ? 'Another picture' : 'Picture of it'"
          accept="image/*"
          capture
          @files="picture"
        />
        <span v-if="draft.photoId" class="small" role="status">The picture is kept.</span>
      </div>
      <div class="row">
        <KitButton submit main small :disabled="form.busy.value">Close it</KitButton>
        <KitButton small plain @click="doing = null">Cancel</KitButton>
      </div>
    </form>
    <form v-else-if="doing === 'change'" class="stack" @submit.prevent="keepChange">
      <KitField v-slot="{ bind }" label="What is there?" :error="form.errors['sign']"
        ><KitSelect v-bind="bind" v-model="draft.sign">
          <option v-for="sign in SIGNS" :key="sign.id" :value="sign.id">{{ sign.title }}</option>
        </KitSelect></KitField
      >
      <KitField v-slot="{ bind }" label="Note" :error="form.errors['note']"
        ><KitInput v-bind="bind" v-model="draft.note"
      /></KitField>
      <div class="row">
        <KitButton submit main small :disabled="form.busy.value">Save</KitButton>
        <KitButton small plain @click="doing = null">Cancel</KitButton>
      </div>
    </form>
    <KitNotice bad v-if="form.rest('closed.note', 'note', 'sign')">{{
      form.rest('closed.note', 'note', 'sign')
    }}</KitNotice>
  </li>
</template>

<style scoped>
.find {
  border-left: 3px solid var(--line-strong);
  padding-left: 0.6rem;
}
.find.grave {
  border-color: var(--alarm);
}
.find.cured {
  border-color: var(--done);
}
.block {
  display: block;
}
.acts {
  margin-top: 0.3rem;
  gap: 0.35rem;
}
.stack {
  margin-top: 0.5rem;
}
</style>
