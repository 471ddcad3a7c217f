<script setup lang="ts">
import { computed, reactive } from 'vue';
import { COAT_WORDS, type CloseView, type FaceView } from '@aspecta/contract/close';
import { dewPoint, litres } from '@aspecta/core/close';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { newId } from '../shell/newId.ts';
import { decimal } from '../shell/typedNumber.ts';
import { hours, useUnits } from '../shell/units.ts';
import type { Close } from './useClose.ts';

/* A coat on the faces that were chosen: with what, how warm, how near the dew point; what it means for the next one. */
const props = defineProps<{ close: Close; view: CloseView; faces: readonly FaceView[] }>();
const emit = defineEmits<{ done: []; close: [] }>();
const units = useUnits();
const { form } = props.close;
const id = newId();
const isShut = props.faces.some(({ state }) => state === 'shut' || state === 'shut-bare');
const draft = reactive({
  product: props.view.products.find(({ kind }) => kind === (isShut ? 'wax' : 'epoxy'))?.id ?? 'epoxy',
  celsius: units.heat.typed(props.view.temperature),
  humidity: '',
  steel: '',
  note: '',
});
const product = computed(() => props.view.products.find((one) => one.id === draft.product)!);
const read = (text: string) => (text.trim() === '' ? null : units.heat.read(text));
const percent = () => (draft.humidity.trim() === '' ? null : decimal(draft.humidity));
/** Over the dew point, as far as it was read. */
const dew = computed(() => {
  const [air, humidity, steel] = [read(draft.celsius), percent(), read(draft.steel)];
  if (typeof air !== 'number' || typeof humidity !== 'number' || typeof steel !== 'number') return null;
  try {
    return dewPoint({ air, humidity, steel });
  } catch {
    return null;
  }
});
const area = computed(() => props.faces.reduce((sum, face) => sum + face.area, 0));
const amount = computed(() => litres(area.value, product.value));
const amountText = computed(() =>
  units.unit.value === 'in'
    ? `${(amount.value * 33.814).toFixed(1)} fl oz`
    : amount.value < 1
      ? `${Math.round(amount.value * 1000)} ml`
      : `${amount.value.toFixed(1)} l`,
);
async function keep(): Promise<void> {
  const body = {
    id,
    faces: props.faces.map((face) => face.id),
    product: draft.product,
    // What is no number goes on as it was typed: the server refuses it at its field.
    celsius: read(draft.celsius) as number,
    humidity: percent() as number | null,
    steel: read(draft.steel) as number | null,
    note: draft.note,
  };
  if (await props.close.coat(body)) emit('done');
}
</script>

<template>
  <KitDialog title="A coat" @close="emit('close')">
    <form class="stack" @submit.prevent="keep">
      <p class="small">
        On {{ faces.map(({ name }) => name).join('; ') }}: {{ units.area(area) }}, about {{ amountText }} a coat.
      </p>
      <KitField v-slot="{ bind }" label="With what" :error="form.errors['product']"
        ><KitSelect v-bind="bind" v-model="draft.product"
          ><option v-for="one in view.products" :key="one.id" :value="one.id">
            {{ one.usual ? `${COAT_WORDS[one.kind]} (usual figures)` : one.name }}
          </option></KitSelect
        ></KitField
      >
      <p class="small">
        The next coat after {{ hours(product.hours) }} at {{ units.heat.text(20)
        }}<template v-if="product.latest !== null"
          >, within {{ hours(product.latest)
          }}<template v-if="product.grit">, later only scuffed with {{ product.grit }} grit</template></template
        >. Not below {{ units.heat.text(product.least) }}.
        <strong v-if="!product.weldThrough">It is not weld-through: keep the seams bare, and coat them after.</strong>
        <strong v-else>It may be welded through; mind its fumes.</strong>
        <span class="soft"> The sheet of its maker goes before this.</span>
      </p>
      <div class="three">
        <KitField v-slot="{ bind }" :label="`Air, ${units.heat.word.value}`" :error="form.errors['celsius']"
          ><KitInput v-bind="bind" v-model="draft.celsius" mono inputmode="decimal"
        /></KitField>
        <KitField v-slot="{ bind }" label="Humidity, %" :error="form.errors['humidity']"
          ><KitInput v-bind="bind" v-model="draft.humidity" mono inputmode="decimal"
        /></KitField>
        <KitField v-slot="{ bind }" :label="`Metal, ${units.heat.word.value}`" :error="form.errors['steel']"
          ><KitInput v-bind="bind" v-model="draft.steel" mono inputmode="decimal"
        /></KitField>
      </div>
      <KitNotice v-if="dew" :bad="!dew.apply"
        ><p>
          The dew point lies at {{ units.heat.text(dew.dewPoint) }}.
          {{
            dew.apply
              ? 'The metal is far enough above it.'
              : 'The metal is too near to it: water lies on it that you do not see. Warm it, or wait.'
          }}
        </p></KitNotice
      >
      <p v-else class="small soft">With humidity and the metal’s temperature it is checked against the dew point.</p>
      <KitField v-slot="{ bind }" label="Note" :error="form.errors['note']"
        ><KitInput v-bind="bind" v-model="draft.note"
      /></KitField>
      <KitNotice v-if="form.rest('product', 'celsius', 'humidity', 'steel', 'note')" bad>{{
        form.rest('product', 'celsius', 'humidity', 'steel', 'note')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">It is on</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(7rem, 1fr));
  gap: 0.5rem;
  align-items: start;
}
</style>
