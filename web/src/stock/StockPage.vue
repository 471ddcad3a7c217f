<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import type { LaidOutView, StockSheet, StockView, WaitingBlank } from '@aspecta/contract/stock';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
import { get, post, remove } from '../shell/api.ts';
import LengthField from '../shell/LengthField.vue';
import { useSession } from '../shell/session.ts';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import LaidSheet from './LaidSheet.vue';
import ShelfTile from '../shelf/ShelfTile.vue';
import SheetForm from './SheetForm.vue';

/* The rack: what waits to be cut → how it lies on the sheets that are here → it is cut so → what is left goes back. */
const session = useSession();
const units = useUnits();
const form = useForm();
const load = useLoad(() => get<StockView>('/stock'));
const view = computed(() => load.data.value);
const waiting = computed(() => view.value?.blanks.filter(({ cutFrom }) => cutFrom === null) ?? []);
const done = computed(() => view.value?.blanks.filter(({ cutFrom }) => cutFrom !== null) ?? []);
const left = ref(new Set<string>());
const chosen = computed(() => waiting.value.filter(({ id }) => !left.value.has(id)));
const gap = ref(6);
const turn = ref(true);
const laid = shallowRef<LaidOutView | null>(null);
const editing = shallowRef<{ sheet: StockSheet | null } | null>(null);
/** What was laid out holds for these pieces, these sheets and this gap alone. */
watch([chosen, gap, turn, view], () => (laid.value = null));

function take(blank: string, on: boolean): void {
  const next = new Set(left.value);
  if (on) next.delete(blank);
  else next.add(blank);
  left.value = next;
}
const asked = () => ({ blanks: chosen.value.map(({ id }) => id), gap: gap.value, turn: turn.value });
const layOut = () =>
  form.submit(async () => {
    laid.value = await post<LaidOutView>('/stock/lay-out', asked());
  });
const cut = (sheet: StockSheet) =>
  form.submit(async () => {
    load.data.value = await post<StockView>('/stock/cut', { ...asked(), sheet: sheet.id, version: sheet.version });
  });
const takeBack = ({ repair, cutFrom }: WaitingBlank) =>
  form.submit(async () => {
    load.data.value = await remove<StockView>(`/stock/cut/${repair}/${cutFrom!.section}`);
  });
const sheetOf = (id: string) => view.value!.sheets.find((sheet) => sheet.id === id)!;
const without = computed(() =>
  (laid.value?.without ?? []).map(({ blank, why }) => {
    const own = waiting.value.find(({ id }) => id === blank)!;
    const need = `${units.sheet(own.thickness)} ${own.material}, at least ${units.length(own.least.width)} × ${units.length(own.least.height)}`;
    return `${own.panel}, ${own.car}: ${why === 'metal' ? 'no sheet of its metal and gauge is here' : 'no sheet has room for it'}. It takes ${need}.`;
  }),
);
async function saved(): Promise<void> {
  editing.value = null;
  await load.reload();
}
</script>

<template>
  <Waiting :of="load" what="The rack">
    <main v-if="view" class="page">
      <div class="row spread head">
        <div>
          <p class="eyebrow">Sheets</p>
          <h1>What is cut from which sheet?</h1>
        </div>
        <KitButton v-if="session.canWork" :main="view.sheets.length === 0" @click="editing = { sheet: null }"
          >Put a sheet into the rack</KitButton
        >
      </div>
      <KitNotice v-if="form.rest()" bad>{{ units.said(form.rest()!) }}</KitNotice>
      <div class="columns">
        <section class="stack">
          <h2>Waiting to be cut</h2>
          <p v-if="waiting.length === 0" class="soft">
            No patch is waiting: decide a patch or a panel to be made, and its pattern stands here.
          </p>
          <template v-else>
            <KitCheckbox
              v-for="one in waiting"
              :key="one.id"
              :model-value="!left.has(one.id)"
              @update:model-value="take(one.id, $event)"
              >{{ one.panel }}, {{ one.car }}
              <small class="soft"
                >{{ units.length(one.least.width) }} × {{ units.length(one.least.height) }},
                {{ units.sheet(one.thickness) }} {{ one.material }}</small
              ></KitCheckbox
            >
            <LengthField v-model="gap" label="Between two pieces" />
            <KitCheckbox v-model="turn">Pieces may be turned by a quarter</KitCheckbox>
            <p v-if="!turn" class="small soft">The rolling direction is kept: folds across it crack less.</p>
            <KitButton main :disabled="form.busy.value || chosen.length === 0" @click="layOut"
              >Lay {{ chosen.length === 1 ? 'it' : `these ${chosen.length}` }} out on the sheets</KitButton
            >
          </template>
          <KitNotice v-for="one in view.failing" :key="one.repair" bad
            >{{ one.panel }}, {{ one.car }}: {{ units.said(one.why) }}</KitNotice
          >
          <template v-if="done.length > 0">
            <h2>Cut out</h2>
            <p v-for="one in done" :key="one.id" class="row spread">
              <span
                >{{ one.panel }}, {{ one.car }}
                <small class="soft"
                  >from {{ one.cutFrom!.sheet }}, {{ one.cutFrom!.by }}, {{ dayOf(one.cutFrom!.at) }}</small
                ></span
              >
              <KitButton v-if="session.canWork" small :disabled="form.busy.value" @click="takeBack(one)"
                >It was not cut</KitButton
              >
            </p>
          </template>
        </section>
        <section class="stack">
          <template v-if="laid">
            <h2>How they lie</h2>
            <KitNotice v-for="line in without" :key="line" bad>{{ line }}</KitNotice>
            <LaidSheet
              v-for="one in laid.sheets"
              :key="one.sheet"
              :laid="one"
              :sheet="sheetOf(one.sheet)"
              :blanks="view.blanks"
              :can-work="session.canWork"
              :busy="form.busy.value"
              @cut="cut(sheetOf(one.sheet))"
            />
          </template>
          <h2>In the rack</h2>
          <p v-if="view.sheets.length === 0" class="soft">
            Nothing is written down. Put in what stands there, leftovers as well: small pieces are cut from those first.
          </p>
          <KitTable v-else label="Sheets in the rack">
            <thead>
              <tr>
                <th>Sheet</th>
                <th>Thickness</th>
                <th>Size</th>
                <th v-if="session.canWork"><span class="visually-hidden">Change</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="sheet in view.sheets" :key="sheet.id">
                <td>{{ sheet.name }}<small v-if="sheet.leftover" class="soft"> (leftover)</small></td>
                <td class="mono">{{ units.sheet(sheet.thickness) }} {{ sheet.material }}</td>
                <td class="mono">{{ units.length(sheet.width) }} × {{ units.length(sheet.height) }}</td>
                <td v-if="session.canWork">
                  <KitButton small :aria-label="`Change ${sheet.name}`" @click="editing = { sheet }">Change</KitButton>
                </td>
              </tr>
            </tbody>
          </KitTable>
        </section>
      </div>
      <ShelfTile />
      <SheetForm v-if="editing" :sheet="editing.sheet" @close="editing = null" @saved="saved" />
    </main>
  </Waiting>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 22rem), 1fr));
  gap: 2rem;
  align-items: start;
}
h2 {
  font-size: 1.2rem;
  margin: 0.4rem 0 0;
}
</style>
