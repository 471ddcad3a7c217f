<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import { COAT_WORDS, type ProductView } from '@aspecta/contract/close';
import { COAT_KINDS, usualProducts, type CoatKind } from '@aspecta/core/close';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { post, put, remove } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { decimal } from '../shell/typedNumber.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* Products of the shop with the hours of their makers. */
const props = defineProps<{ products: readonly ProductView[] }>();
const emit = defineEmits<{ changed: [products: ProductView[]] }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const own = computed(() => props.products.filter(({ usual }) => !usual));
const isOwner = computed(() => session.current?.person.role === 'owner');
const editing = ref<ProductView | 'new' | null>(null);
const M2_PER_SQ_FT = 0.092903;
const L_PER_US_GALLON = 3.78541;
/** Coverage as the shop reads it: m² a litre, or square feet a US gallon. */
const spread = computed(() => (units.unit.value === 'in' ? L_PER_US_GALLON / M2_PER_SQ_FT : 1));
const draft = reactive({
  name: '',
  kind: 'epoxy' as CoatKind,
  hours: '',
  latest: '',
  least: '',
  coverage: '',
  through: false,
  grit: '',
});
function open(product: ProductView | 'new', kind: CoatKind = 'epoxy'): void {
  const from = product === 'new' ? { ...usualProducts[kind], name: '' } : product;
  Object.assign(draft, {
    name: from.name,
    kind: from.kind,
    hours: String(from.hours),
    latest: from.latest === null ? '' : String(from.latest),
    least: units.heat.typed(from.least),
    coverage: String(Number((from.coverage * spread.value).toPrecision(3))),
    through: from.weldThrough,
    grit: from.grit === null ? '' : String(from.grit),
  });
  editing.value = product;
}
const chooseKind = (kind: string) => {
  const { name } = draft;
  open(editing.value!, kind as CoatKind);
  Object.assign(draft, { name, kind });
};
const orNull = (text: string) => (text.trim() === '' ? null : decimal(text));
async function keep(): Promise<void> {
  const product = editing.value;
  const covers = decimal(draft.coverage);
  const body = {
    name: draft.name,
    kind: draft.kind,
    hours: decimal(draft.hours),
    latest: orNull(draft.latest),
    least: units.heat.read(draft.least),
    coverage: typeof covers === 'number' ? covers / spread.value : covers,
    weldThrough: draft.through,
    grit: orNull(draft.grit),
  };
  const done = await form.submit(async () => {
    const changed =
      product === 'new'
        ? await post<ProductView[]>('/products', { id: newId(), ...body })
        : await put<ProductView[]>(`/products/${product!.id}`, { ...body, version: product!.version });
    emit('changed', changed);
  });
  if (done) editing.value = null;
}
async function away(id: string): Promise<void> {
  await form.submit(async () => emit('changed', await remove<ProductView[]>(`/products/${id}`)));
  editing.value = null;
}
const FIELDS = ['name', 'kind', 'hours', 'latest', 'least', 'coverage', 'grit'];
</script>

<template>
  <KitCollapse title="Products of the shop">
    <div class="stack">
      <p v-if="own.length === 0" class="soft">
        None yet: the usual figures of each kind are taken. Enter yours with the hours from the sheet of its maker.
      </p>
      <ul class="plain">
        <li v-for="product in own" :key="product.id" class="row spread">
          <span
            ><strong>{{ product.name }}</strong>
            <span class="small soft"
              >{{ COAT_WORDS[product.kind] }}, next coat after {{ hours(product.hours) }}</span
            ></span
          >
          <KitButton v-if="isOwner" small @click="open(product)">Change</KitButton>
        </li>
      </ul>
      <KitButton v-if="isOwner" @click="open('new')">Add a product</KitButton>
    </div>
    <KitDialog v-if="editing" title="A product" @close="editing = null">
      <form class="stack" @submit.prevent="keep">
        <KitField v-slot="{ bind }" label="Name" :error="form.errors['name']"
          ><KitInput v-bind="bind" v-model="draft.name"
        /></KitField>
        <KitField v-slot="{ bind }" label="Kind" :error="form.errors['kind']"
          ><KitSelect v-bind="bind" :model-value="draft.kind" @update:model-value="chooseKind(String($event))"
            ><option v-for="kind in COAT_KINDS" :key="kind" :value="kind">{{ COAT_WORDS[kind] }}</option></KitSelect
          ></KitField
        >
        <div class="pair">
          <KitField
            v-slot="{ bind }"
            :label="`Next coat after, hours at ${units.heat.text(20)}`"
            :error="form.errors['hours']"
            ><KitInput v-bind="bind" v-model="draft.hours" mono
          /></KitField>
          <KitField
            v-slot="{ bind }"
            label="And within, hours"
            hint="Empty: nothing ends it"
            :error="form.errors['latest']"
            ><KitInput v-bind="bind" v-model="draft.latest" mono
          /></KitField>
          <KitField v-slot="{ bind }" :label="`Not below, ${units.heat.word.value}`" :error="form.errors['least']"
            ><KitInput v-bind="bind" v-model="draft.least" mono
          /></KitField>
          <KitField
            v-slot="{ bind }"
            :label="units.unit.value === 'in' ? 'Covers, square feet a gallon' : 'Covers, square metres a litre'"
            :error="form.errors['coverage']"
            ><KitInput v-bind="bind" v-model="draft.coverage" mono
          /></KitField>
          <KitField
            v-slot="{ bind }"
            label="Grit when it is too late"
            hint="Empty: scuffing does not help"
            :error="form.errors['grit']"
            ><KitInput v-bind="bind" v-model="draft.grit" mono
          /></KitField>
        </div>
        <KitCheckbox v-model="draft.through">May be welded through</KitCheckbox>
        <KitNotice v-if="form.rest(...FIELDS)" bad>{{ form.rest(...FIELDS) }}</KitNotice>
        <div class="row">
          <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
          <KitButton v-if="editing !== 'new'" @click="away(editing.id)">Take it away</KitButton>
          <KitButton @click="editing = null">Cancel</KitButton>
        </div>
      </form>
    </KitDialog>
  </KitCollapse>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.6rem;
  align-items: start;
}
</style>
