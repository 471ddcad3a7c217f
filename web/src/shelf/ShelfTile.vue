<script setup lang="ts">
import { shallowRef } from 'vue';
import { SHELF_WORDS, type ShelfItemView, type ShelfLineView, type ShelfView } from '@aspecta/contract/shelf';
import { PACKS } from '@aspecta/core/shelf';
import KitButton from '../kit/KitButton.vue';
import KitTable from '../kit/KitTable.vue';
import WantForm from '../order/WantForm.vue';
import { get } from '../shell/api.ts';
import { dayOf } from '../shell/days.ts';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { amountText } from './amounts.ts';
import ShelfForm from './ShelfForm.vue';

/* What work uses up: what of it is here, what the work that is left takes, what is short. */
const session = useSession();
const units = useUnits();
const load = useLoad(() => get<ShelfView>('/shelf'));
const editing = shallowRef<{ item: ShelfItemView | null } | null>(null);
const text = (amount: number, { kind }: Pick<ShelfLineView, 'kind'>) => amountText(amount, kind, units.unit.value);
const itemsOf = ({ kind, left }: ShelfLineView) =>
  load.data
    .value!.items.filter((item) => item.kind === kind)
    .map((item) => ({ item, ...left.find(({ id }) => id === item.id)! }));
const nowOf = (item: ShelfItemView | null) =>
  load.data.value?.lines.flatMap(({ left }) => left).find(({ id }) => id === item?.id)?.amount ?? null;
const pack = ({ kind }: ShelfLineView) => `${SHELF_WORDS[kind]}, ${amountText(PACKS[kind], kind, units.unit.value)}`;
const forWhom = ({ cars }: ShelfLineView) => cars.map(({ car }) => car).join(', ');
const NOTHING = 'Nothing is counted, and no work is laid out that would use anything up.';
function saved(view: ShelfView): void {
  load.data.value = view;
  editing.value = null;
}
</script>

<template>
  <section class="stack shelf">
    <div class="row spread">
      <div>
        <h2>On the shelf</h2>
        <p class="small soft">
          Counted once, it goes down by what welds and coats use. Wire and gas by the plans, coats by the area.
        </p>
      </div>
      <KitButton v-if="session.canWork" @click="editing = { item: null }">Put something on the shelf</KitButton>
    </div>
    <Waiting :of="load" what="The shelf">
      <template v-if="load.data.value">
        <p v-if="load.data.value.lines.length === 0" class="soft">{{ NOTHING }}</p>
        <KitTable v-else label="What is on the shelf and what is short">
          <thead>
            <tr>
              <th>What</th>
              <th>There</th>
              <th>Still needed</th>
              <th>Short</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in load.data.value.lines" :key="line.kind">
              <td>
                {{ SHELF_WORDS[line.kind] }}
                <p v-for="{ item, amount, over } in itemsOf(line)" :key="item.id" class="small row">
                  <span :class="{ alarm: over }"
                    >{{ item.name }}, {{ text(amount, line)
                    }}<template v-if="item.useBy">{{
                      over ? `, was to be used by ${dayOf(item.useBy)}` : `, use by ${dayOf(item.useBy)}`
                    }}</template></span
                  >
                  <KitButton
                    v-if="session.canWork"
                    small
                    plain
                    :aria-label="`Count ${item.name} anew`"
                    @click="editing = { item }"
                    >Count</KitButton
                  >
                </p>
              </td>
              <td class="mono">{{ text(line.there, line) }}</td>
              <td class="mono">
                {{ line.needed > 0 ? text(line.needed, line) : '–' }}
                <span v-if="line.cars.length > 0" class="small soft words">{{ forWhom(line) }}</span>
              </td>
              <td>
                <div v-if="line.short > 0" class="row">
                  <strong class="mono alarm">{{ text(line.short, line) }}</strong>
                  <WantForm
                    v-if="line.cars[0]"
                    :vehicle="line.cars[0].vehicle"
                    :item="pack(line)"
                    :quantity="line.packs"
                    :note="`For the work on ${forWhom(line)}`"
                  />
                </div>
                <span v-else class="soft">nothing</span>
              </td>
            </tr>
          </tbody>
        </KitTable>
      </template>
    </Waiting>
    <ShelfForm v-if="editing" :item="editing.item" :now="nowOf(editing.item)" @close="editing = null" @saved="saved" />
  </section>
</template>

<style scoped>
.shelf {
  margin-top: 1.5rem;
}
h2 {
  font-size: 1.2rem;
  margin: 0;
}
p {
  margin: 0;
}
.alarm {
  color: var(--alarm);
}
.words {
  display: block;
  font-family: var(--text);
}
td {
  vertical-align: top;
}
</style>
