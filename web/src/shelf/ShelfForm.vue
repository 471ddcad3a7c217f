<script setup lang="ts">
import { computed, reactive } from 'vue';
import { SHELF_WORDS, type ShelfItemView, type ShelfView } from '@aspecta/contract/shelf';
import { SHELF_KINDS, type ShelfKind } from '@aspecta/core/shelf';
import KitButton from '../kit/KitButton.vue';
import KitDate from '../kit/KitDate.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { post, put, remove } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { overTheirs } from '../shell/theirs.ts';
import { decimal } from '../shell/typedNumber.ts';
import { useForm } from '../shell/useForm.ts';
import { useUnits } from '../shell/units.ts';
import { countedIn } from './amounts.ts';

/* Something on the shelf: what it is, how much is there now, what is to stay, until when it is used. */
const props = defineProps<{ item: ShelfItemView | null; now: number | null }>();
const emit = defineEmits<{ close: []; saved: [view: ShelfView] }>();
const form = useForm();
const units = useUnits();
const id = props.item?.id ?? newId();
let seen = props.item?.version ?? 0;
const draft = reactive({
  kind: props.item?.kind ?? ('wire' as ShelfKind),
  name: props.item?.name ?? '',
  counted: '',
  least: '',
  useBy: props.item?.useBy ?? '',
});
const counting = computed(() => countedIn(draft.kind, units.unit.value));
const shown = (amount: number) => String(Number((amount / counting.value.one).toFixed(counting.value.digits)));
if (props.item) {
  draft.counted = shown(props.now ?? props.item.counted);
  draft.least = props.item.least > 0 ? shown(props.item.least) : '';
}
/** As it is kept; what is no number goes as it was typed, and is refused at its field. */
function kept(text: string): number {
  const typed = decimal(text.trim() === '' ? '0' : text);
  return typeof typed === 'number' ? typed * counting.value.one : (typed as never);
}
const save = () =>
  form.submit(() =>
    overTheirs<ShelfView>(
      'what is on the shelf',
      (now) => (seen = now.items.find((item) => item.id === id)?.version ?? seen),
      async () => {
        const { kind, name, useBy } = draft;
        const body = { kind, name, counted: kept(draft.counted), least: kept(draft.least), useBy: useBy || null };
        emit(
          'saved',
          props.item
            ? await put<ShelfView>(`/shelf/${id}`, { ...body, version: seen })
            : await post<ShelfView>('/shelf', { id, ...body }),
        );
      },
    ),
  );
const takeOff = () => form.submit(async () => emit('saved', await remove<ShelfView>(`/shelf/${id}`)));
</script>

<template>
  <KitDialog :title="item ? 'Count it anew' : 'Put something on the shelf'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="Kind" :error="form.errors['kind']"
        ><KitSelect v-bind="bind" v-model="draft.kind"
          ><option v-for="kind in SHELF_KINDS" :key="kind" :value="kind">{{ SHELF_WORDS[kind] }}</option></KitSelect
        ></KitField
      >
      <KitField v-slot="{ bind }" label="Name" hint="As it stands on it" :error="form.errors['name']"
        ><KitInput v-bind="bind" v-model="draft.name"
      /></KitField>
      <div class="pair">
        <KitField v-slot="{ bind }" :label="`There now, ${counting.word}`" :error="form.errors['counted']"
          ><KitInput v-bind="bind" v-model="draft.counted" mono inputmode="decimal"
        /></KitField>
        <KitField
          v-slot="{ bind }"
          :label="`Never less than, ${counting.word}`"
          hint="Empty for nothing"
          :error="form.errors['least']"
          ><KitInput v-bind="bind" v-model="draft.least" mono inputmode="decimal"
        /></KitField>
      </div>
      <KitField v-slot="{ bind }" label="Use by" hint="Empty where it keeps" :error="form.errors['useBy']"
        ><KitDate v-bind="bind" v-model="draft.useBy"
      /></KitField>
      <KitNotice v-if="form.rest('kind', 'name', 'counted', 'least', 'useBy')" bad>{{
        form.rest('kind', 'name', 'counted', 'least', 'useBy')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">{{ item ? 'Save' : 'Put it there' }}</KitButton>
        <KitButton v-if="item" plain :disabled="form.busy.value" @click="takeOff">Take it off the shelf</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>
