<script setup lang="ts">
import { ref } from 'vue';
import type { BraceView, HoldView } from '@aspecta/contract/hold';
import { OFF_CORNER, USUAL_TUBE, type ProposedBrace } from '@aspecta/core/hold';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { newId } from '../shell/newId.ts';
import ReasonForm from '../shell/ReasonForm.vue';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import { letterOf } from './holdScene.ts';
import type { Hold } from './useHold.ts';

/* Which openings lose a side, which braces they need, which are in, and when they may come out. */
const props = defineProps<{ hold: Hold; view: HoldView; canWork: boolean }>();
const emit = defineEmits<{ show: [figure: string] }>();
const units = useUnits();
const { form } = props.hold;
const figure = (id: string) => props.view.figures.find((one) => one.id === id)!;
const letters = (id: string, ends: readonly string[]) => ends.map((end) => letterOf(figure(id), end)).join('–');
const names = (ends: readonly string[]) =>
  ends.map((end) => props.view.points.find(({ id }) => id === end)?.name ?? end).join(' to ');
const inPlace = ({ ends }: ProposedBrace) =>
  props.view.braces.some((brace) => brace.outAt === null && ends.every((end) => brace.ends.includes(end)));
const inside = () => props.view.braces.filter(({ outAt }) => outAt === null);
const fitIt = ({ figure: at, ends, cut }: ProposedBrace) =>
  props.hold.fit({ id: newId(), figure: at, ends, length: cut });
const leaving = ref<BraceView | null>(null);
async function out(brace: BraceView, reason = ''): Promise<void> {
  leaving.value = (await props.hold.unfit(brace.id, reason)) ? null : brace;
}
</script>

<template>
  <div class="stack">
    <p v-if="view.proposals.length === 0 && view.braces.length === 0" class="soft">
      No opening loses a side by what is decided. Braces are proposed as soon as metal that carries load is to be cut.
    </p>
    <section v-for="proposal in view.proposals" :key="proposal.figure" class="stack">
      <h2>
        {{ figure(proposal.figure).name }}
        <KitButton small plain @click="emit('show', proposal.figure)">Show</KitButton>
      </h2>
      <p class="small">
        It loses {{ proposal.lost.map((ends) => letters(proposal.figure, ends)).join(' and ') }}. Tie these points
        before the first cut, near the seams and not on them:
      </p>
      <ul class="plain">
        <li v-for="brace in proposal.braces" :key="brace.ends.join()" class="row spread">
          <span
            ><strong class="mono">{{ letters(proposal.figure, brace.ends) }}</strong> {{ names(brace.ends) }}<br /><span
              class="small"
              >cut to <strong class="mono">{{ units.length(brace.cut) }}</strong>{{ ' '
              }}<span class="soft">({{ units.length(brace.length) }} between the points)</span
              ><template v-if="brace.reserve < proposal.usualReserve">
                · a tube of {{ units.length(USUAL_TUBE.outer) }} is slender for it: take a thicker one, or tie its
                middle</template
              ></span
            ></span
          >
          <span v-if="inPlace(brace)" class="done">It is in</span>
          <KitButton v-else-if="canWork" small main :disabled="form.busy.value" @click="fitIt(brace)"
            >It is in</KitButton
          >
        </li>
      </ul>
      <p class="small soft">{{ figure(proposal.figure).blocks }}</p>
    </section>
    <p v-if="view.proposals.length > 0" class="small soft">
      Reckoned with {{ units.length(USUAL_TUBE.outer) }} tube and {{ units.sheet(USUAL_TUBE.wall) }} wall, ends
      {{ units.length(OFF_CORNER) }} off the corners, and somebody who leans on it. Weld the ends where you can reach
      them again, on metal that stays.
    </p>
    <template v-if="view.braces.length > 0">
      <h2>Fitted</h2>
      <KitNotice v-if="inside().length > 0 && view.checked"
        ><p>The tapes were taken again after the last load-bearing weld: the braces may come out.</p></KitNotice
      >
      <ul class="plain">
        <li v-for="brace in view.braces" :key="brace.id">
          <div class="row spread">
            <span
              ><strong class="mono">{{ letters(brace.figure, brace.ends) }}</strong> {{ figure(brace.figure).name }},
              <span class="mono">{{ units.length(brace.length) }}</span><br /><span class="small soft"
                >in since {{ dayOf(brace.fittedAt) }} ({{ brace.fittedBy }})<template v-if="brace.outAt"
                  >, out {{ dayOf(brace.outAt) }} ({{ brace.outBy }})<template v-if="brace.reason"
                    >: {{ brace.reason }}</template
                  ></template
                ></span
              ></span
            >
            <span v-if="canWork" class="row">
              <KitButton v-if="!brace.outAt" small :main="view.checked" :disabled="form.busy.value" @click="out(brace)"
                >Take it out</KitButton
              >
              <KitButton small plain :disabled="form.busy.value" @click="hold.braceBack(brace.id)">{{
                brace.outAt ? 'It is still in' : 'It was not fitted'
              }}</KitButton>
            </span>
          </div>
          <ReasonForm
            v-if="leaving?.id === brace.id"
            label="Why it comes out before the check"
            act="Out, for this reason"
            keep="Leave it in"
            :error="form.errors['reason'] ?? null"
            :busy="form.busy.value"
            @give="out(brace, $event)"
            @cancel="leaving = null"
          />
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  margin: 0.4rem 0 0;
}
.done {
  font-weight: 600;
}
</style>
