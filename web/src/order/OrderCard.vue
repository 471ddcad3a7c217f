<script setup lang="ts">
import { computed, ref } from 'vue';
import { ORDER_WORDS, OUTCOME_WORDS, type OrderLine, type OrderNeed } from '@aspecta/contract/order';
import { isAwaited, isOver, type OrderState } from '@aspecta/core/order';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitDate from '../kit/KitDate.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { dayOf, today } from '../shell/days.ts';
import { newId } from '../shell/newId.ts';
import { decimal } from '../shell/typedNumber.ts';
import { hours, percent, useUnits } from '../shell/units.ts';
import { isConflict } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';
import ArrivalForm from './ArrivalForm.vue';
import NeedText from './NeedText.vue';
import OrderForm from './OrderForm.vue';
import ShipmentTile from './ShipmentTile.vue';

const props = defineProps<{
  line: OrderLine;
  /** When it is needed, as long as it is wanted. */
  need?: OrderNeed | undefined;
  /** What else is in its parcel. */
  together?: readonly OrderLine[];
}>();
const emit = defineEmits<{ changed: [] }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const going = ref<OrderState | null>(null);
const on = ref(today());
const due = ref('');
const WAY: readonly OrderState[] = ['wanted', 'ordered', 'confirmed', 'arrived', 'checked', 'fitted'];
const reached = computed(() => new Set(props.line.history.map((step) => step.state)));
const asksDue = isAwaited;
const editing = ref(false);
const checking = ref(false);
/** Where it can go at a tap; what becomes of a part that has just arrived is said when it is checked. */
const ways = computed(() => (props.line.state === 'arrived' ? [] : props.line.next));
const note = ref('');
/** How many have come, where several were ordered. */
const pieces = ref('');
/** Of the line on which the rest goes on, the same however often it is sent. */
const rest = newId();

function go(state: OrderState): void {
  going.value = going.value === state ? null : state;
  note.value = '';
  pieces.value = String(props.line.quantity);
  // The day it was promised for is off once it is put off.
  due.value = state === 'back-order' ? '' : (props.line.due ?? '');
}
async function send(verb: 'move' | 'back' | 'keep', body: object): Promise<void> {
  const done = await form.submit(async () => {
    try {
      await post(`/orders/${props.line.id}/${verb}`, { ...body, version: props.line.version });
    } catch (error) {
      if (isConflict(error)) emit('changed');
      throw error;
    }
  });
  if (!done) return;
  going.value = null;
  emit('changed');
}
/** Those of its parcel that can go the same way: a parcel is confirmed and arrives as one, or in parts. */
const along = computed(() =>
  (props.together ?? []).filter(
    ({ id, next }) => id !== props.line.id && going.value !== null && next.includes(going.value),
  ),
);
const all = ref(true);
async function move(): Promise<void> {
  const state = going.value;
  const said = {
    state,
    on: on.value,
    due: state && asksDue(state) && due.value ? due.value : null,
    note: note.value,
    part: state === 'arrived' && props.line.quantity > 1 ? { pieces: decimal(pieces.value), rest } : null,
  };
  const others = all.value && (state === 'confirmed' || state === 'arrived') ? along.value : [];
  const done = await form.submit(async () => {
    for (const { id, version } of others) await post(`/orders/${id}/move`, { ...said, part: null, version });
  });
  if (done) await send('move', said);
}
/** How a line that is not needed any more comes to its end from here: withdrawn, or sent back when it has arrived. */
const ending = computed(() => props.line.next.find((state) => state === 'withdrawn' || state === 'returned') ?? null);
function endIt(): void {
  going.value = ending.value;
  note.value = props.line.unneeded ?? '';
}
const takeBack = () => send('back', {});
</script>

<template>
  <article class="tile line" :class="{ late: line.late }" :data-order="line.panel">
    <div class="what">
      <h2>{{ line.panelName }}</h2>
      <p class="soft small">
        <RouterLink :to="`/vehicles/${line.vehicleId}`">{{ line.vehicle }}</RouterLink> · {{ line.maker
        }}{{ line.quantity > 1 ? ` · ${line.quantity} pieces` : '' }}
      </p>
      <p v-if="line.note" class="small">{{ line.note }}</p>
      <p v-if="together && together.length > 1" class="small soft">
        In one parcel with
        {{
          together
            .filter(({ id }) => id !== line.id)
            .map(({ panelName }) => panelName)
            .join(', ')
        }}
      </p>
      <NeedText v-if="need" :need="need" />
      <p v-if="line.arrival" class="small">
        {{ OUTCOME_WORDS[line.arrival.outcome] }}{{ line.arrival.hours > 0 ? `: ${hours(line.arrival.hours)}` : '' }}
      </p>
    </div>
    <div class="price">
      <p class="mono big">{{ units.money(line.landed, line.currency) }}</p>
      <p class="soft small">
        {{ units.money(line.price * line.quantity, line.currency) }} +
        {{ units.money(line.carriage, line.currency) }} carriage + {{ percent(line.taxRate) }} tax
      </p>
      <p v-if="line.credit !== null" class="small">{{ units.money(line.credit, line.currency) }} came back for it</p>
    </div>
    <div class="state">
      <strong :class="{ alarm: line.late }">{{ ORDER_WORDS[line.state] }}{{ line.late ? ', late' : '' }}</strong>
      <span
        v-if="line.due && !isOver(line.state) && !['arrived', 'checked'].includes(line.state)"
        class="small"
        :class="line.late ? 'alarm' : 'soft'"
      >
        due {{ dayOf(line.due) }}</span
      >
      <span v-else-if="line.state === 'back-order'" class="small soft">no date is known</span>
      <ol class="way" aria-label="Way of the panel">
        <li v-for="state in WAY" :key="state" :class="{ been: reached.has(state), now: line.state === state }">
          <span>{{ ORDER_WORDS[state] }}</span>
        </li>
      </ol>
    </div>
    <KitNotice v-if="line.unneeded" bad class="notice">
      <p>Not needed any more? {{ line.unneeded }}</p>
      <div v-if="session.canWork" class="row">
        <KitButton v-if="ending" small main @click="endIt">{{
          ending === 'returned' ? 'Send it back' : 'Withdraw it'
        }}</KitButton>
        <KitButton small :disabled="form.busy.value" @click="send('keep', {})">Keep it all the same</KitButton>
      </div>
    </KitNotice>
    <div v-if="session.canWork" class="acts row">
      <KitButton v-if="line.state === 'arrived'" small main @click="checking = true"
        >Check it against the car</KitButton
      >
      <KitButton small v-for="state in ways" :key="state" :aria-pressed="going === state" @click="go(state)">
        {{ state === 'withdrawn' ? 'Withdraw' : ORDER_WORDS[state] }}
      </KitButton>
      <KitButton small plain @click="editing = true">Change</KitButton>
      <KitButton small plain :href="`/api/orders/${line.id}/order.pdf`">Order as PDF</KitButton>
      <KitButton v-if="line.history.length > 1" small plain :disabled="form.busy.value" @click="takeBack">
        Take “{{ ORDER_WORDS[line.state].toLowerCase() }}” back
      </KitButton>
    </div>
    <div v-if="isAwaited(line.state)" class="carrier">
      <ShipmentTile :line="line" @changed="emit('changed')" @arrived="go('arrived')" />
    </div>
    <form v-if="going" class="row move" @submit.prevent="move">
      <KitField v-slot="{ bind }" :label="`${ORDER_WORDS[going]} on`" :error="form.errors['on']"
        ><KitDate v-bind="bind" v-model="on" required
      /></KitField>
      <KitField
        v-if="asksDue(going)"
        v-slot="{ bind }"
        label="Should arrive on"
        :hint="going === 'back-order' ? 'Empty where nobody says a date' : undefined"
        :error="form.errors['due']"
        ><KitDate v-bind="bind" v-model="due"
      /></KitField>
      <KitField
        v-slot="{ bind }"
        :label="going === 'withdrawn' || going === 'returned' ? 'Why' : 'Note'"
        :error="form.errors['note']"
        ><KitInput v-bind="bind" v-model="note"
      /></KitField>
      <KitField
        v-if="going === 'arrived' && line.quantity > 1"
        v-slot="{ bind }"
        :label="`How many of ${line.quantity} have come`"
        :error="form.errors['part.pieces']"
        ><KitInput v-bind="bind" v-model="pieces" mono inputmode="numeric"
      /></KitField>
      <KitCheckbox v-if="along.length > 0 && (going === 'confirmed' || going === 'arrived')" v-model="all"
        >The whole parcel: {{ along.map(({ panelName }) => panelName).join(', ') }} as well</KitCheckbox
      >
      <KitButton submit main :disabled="form.busy.value">Note: {{ ORDER_WORDS[going].toLowerCase() }}</KitButton>
    </form>
    <KitNotice bad v-if="form.rest('due', 'note', 'on', 'part.pieces')">
      {{ form.rest('due', 'note', 'on', 'part.pieces') }}
    </KitNotice>
    <KitCollapse class="history">
      <template #title>History</template>
      <p v-for="(step, i) in line.history" :key="i" class="small">
        {{ dayOf(step.on) }} – {{ ORDER_WORDS[step.state].toLowerCase() }}, {{ step.by
        }}{{ step.note ? `: ${step.note}` : '' }}
      </p>
    </KitCollapse>
    <ArrivalForm v-if="checking" :line="line" @close="checking = false" @saved="emit('changed')" />
    <OrderForm v-if="editing" :line="line" @close="editing = false" @saved="emit('changed')" />
  </article>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr) minmax(0, 1.6fr);
  gap: 0.4rem 1.25rem;
}
.line.late {
  border-color: var(--alarm);
}
.what p,
.price p {
  margin: 0;
}
.big {
  font-size: 1.3rem;
}
.acts,
.move,
.history,
.carrier,
.notice {
  grid-column: 1 / -1;
}
.move {
  align-items: end;
}
.way {
  list-style: none;
  display: flex;
  padding: 0;
  margin: 0.35rem 0 0;
  gap: 3px;
}
.way li {
  flex: 1;
  border-top: 5px solid var(--line);
  padding-top: 2px;
  min-width: 0;
}
.way li span {
  font-size: 0.68rem;
  color: var(--ink-soft);
  overflow: hidden;
  text-overflow: ellipsis;
  display: block;
}
.way li.been {
  border-color: var(--done);
}
.way li.now {
  border-color: var(--mark);
}
.history p {
  margin: 0;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr;
  }
}
</style>
