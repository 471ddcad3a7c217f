<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import type { GapView, HoldView } from '@aspecta/contract/hold';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import { gapPlaces, USUAL_GAP } from '@aspecta/core/hold';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitSelect from '../kit/KitSelect.vue';
import { newId } from '../shell/newId.ts';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import type { Hold } from './useHold.ts';

/* Gaps of a door or a lid, read at places of its edges → where it has gone → which mount to shim or shift by how much. */
const props = defineProps<{
  hold: Hold;
  view: HoldView;
  plan: BodyPlan;
  /** Gaps by place, what is wanted and shims that come from elsewhere, as they are typed. */
  given: Readonly<Record<string, string>>;
  canWork: boolean;
}>();
const emit = defineEmits<{ part: [hung: string] }>();
const units = useUnits();
const { form } = props.hold;
const parts = computed(() => props.plan.frame?.hung ?? []);
const hung = ref(parts.value[0]?.id ?? '');
const part = computed(() => parts.value.find(({ id }) => id === hung.value)!);
const places = computed(() => gapPlaces(panelOf(props.plan, part.value.panel)));
const draft = reactive<Record<string, string>>({ ...props.given });
const wanted = ref(props.given['wanted'] ?? units.typed(USUAL_GAP));
const shims = ref(props.given['shims'] ?? (units.unit.value === 'in' ? '1/32, 1/16, 1/8' : '1, 2, 3'));
const wrong = ref<Record<string, string>>({});
function read(): { readings: { place: string; gap: number; wanted: number }[]; shims: number[] } | null {
  const bad: Record<string, string> = {};
  const aim = units.read(wanted.value);
  if (aim === null) bad['wanted'] = units.noLength();
  const readings = places.value.flatMap(({ id }) => {
    const text = (draft[id] ?? '').trim();
    if (text === '') return [];
    const gap = units.read(text);
    if (gap === null) bad[id] = units.noLength();
    return gap === null ? [] : [{ place: id, gap, wanted: aim ?? USUAL_GAP }];
  });
  const stock = shims.value
    .split(/[,;]/)
    .map((one) => one.trim())
    .filter((one) => one !== '')
    .map((one) => units.read(one));
  if (stock.includes(null)) bad['shims'] = `${units.noLength()} Put commas between them.`;
  if (readings.length < 3 && Object.keys(bad).length === 0)
    bad['readings'] = 'Read at least three places, on more than one edge.';
  wrong.value = bad;
  return Object.keys(bad).length > 0 ? null : { readings, shims: stock as number[] };
}
async function work(): Promise<void> {
  const given = read();
  if (given) await props.hold.addGaps({ id: newId(), hung: hung.value, ...given });
}
function choose(id: string): void {
  hung.value = id;
  for (const key of Object.keys(draft)) delete draft[key];
  emit('part', id);
}
const sets = computed(() => props.view.gaps.filter((set) => set.hung === hung.value));
const far = ({ fit }: GapView) => Math.hypot(fit.movement.u, fit.movement.v);
const degrees = (turn: number) => `${Math.abs(turn).toFixed(2)}°`;
const along = (mm: number) => {
  const isBack = part.value && panelOf(props.plan, part.value.panel).side === 'right' ? mm < 0 : mm > 0;
  return `${units.length(Math.abs(mm))} ${isBack ? 'back' : 'forward'}`;
};
const liftWord = (mm: number) => (isLid.value ? (mm > 0 ? 'to the left' : 'to the right') : mm > 0 ? 'up' : 'down');
const shimText = (thick: readonly number[]) =>
  thick.length > 0 ? ` (shims ${thick.map((one) => units.fine(one)).join(' + ')})` : '';
const isLid = computed(() => part.value.shimmed === null);
const SMALL = 0.25;
/** What is left where nothing rigid helps: the edge itself is bent, or it is the wrong shape. */
const stubborn = (set: GapView) =>
  set.readings
    .map(({ place }, i) => ({ place: places.value.find(({ id }) => id === place)!, left: set.fit.residuals[i]! }))
    .filter(({ left }) => Math.abs(left) > 1);
</script>

<template>
  <div class="stack">
    <KitField v-slot="{ bind }" label="What hangs there" :error="form.errors['hung']"
      ><KitSelect v-bind="bind" :model-value="hung" @update:model-value="choose(String($event))"
        ><option v-for="one in parts" :key="one.id" :value="one.id">{{ one.name }}</option></KitSelect
      ></KitField
    >
    <section v-for="(set, i) in sets.slice(0, 3)" :key="set.id" class="stack set" :class="{ old: i > 0 }">
      <h2>{{ i === 0 ? 'What it needs' : `Read ${dayOf(set.at)}` }}</h2>
      <p class="small">
        It has gone by <strong class="mono">{{ units.length(far(set)) }}</strong> and turned by
        <strong class="mono">{{ degrees(set.fit.movement.turn) }}</strong> from where its gaps would be even.
      </p>
      <ul class="plain">
        <li v-for="mount in set.mounts" :key="mount.id">
          <strong>{{ mount.name }}</strong>:
          <span v-if="mount.rotten.length > 0" class="alarm"
            >rebuild what carries it first ({{ mount.rotten.join('; ') }}): a shim on it only sinks again.
          </span>
          <template v-if="mount.rotten.length > 0"> As it hangs now: </template>
          <template v-if="Math.abs(mount.lift) < SMALL && Math.abs(mount.along) < SMALL">leave it.</template>
          <template v-else>
            <template v-if="Math.abs(mount.lift) >= SMALL"
              >{{ liftWord(mount.lift) }} by <span class="mono">{{ units.fine(Math.abs(mount.lift)) }}</span><template
                v-if="part.shimmed === 'up'"
                >{{ shimText(mount.shims) }}</template
              ></template
            ><template v-if="Math.abs(mount.lift) >= SMALL && Math.abs(mount.along) >= SMALL">, </template
            ><template v-if="Math.abs(mount.along) >= SMALL"
              >{{ along(mount.along)
              }}<template v-if="part.shimmed === 'along'">{{ shimText(mount.shims) }}</template></template
            >.
          </template>
        </li>
      </ul>
      <p v-if="stubborn(set).length > 0" class="small">
        Moving does not cure
        {{
          stubborn(set)
            .map(
              ({ place, left }) => `${place.name} (${units.fine(Math.abs(left))} too ${left > 0 ? 'wide' : 'tight'})`,
            )
            .join(', ')
        }}: that edge is trimmed, built up or bent.
      </p>
      <KitButton v-if="canWork" small plain @click="hold.removeGaps(set.id)">Take these readings away</KitButton>
    </section>
    <form v-if="canWork" class="stack" @submit.prevent="work">
      <h2>{{ sets.length > 0 ? 'Read the gaps again' : 'Read the gaps' }}</h2>
      <p class="small soft">With the neighbours in place and the part shut. Leave out what you cannot read.</p>
      <div class="places">
        <KitField v-for="place in places" :key="place.id" v-slot="{ bind }" :label="place.name" :error="wrong[place.id]"
          ><KitInput v-bind="bind" v-model="draft[place.id]!" mono autocomplete="off"
        /></KitField>
      </div>
      <div class="places">
        <KitField v-slot="{ bind }" :label="`Wanted gap, ${units.word.value}`" :error="wrong['wanted']"
          ><KitInput v-bind="bind" v-model="wanted" mono
        /></KitField>
        <KitField
          v-slot="{ bind }"
          :label="`Shims at hand, ${units.word.value}`"
          :error="wrong['shims'] ?? form.errors['shims']"
          ><KitInput v-bind="bind" v-model="shims" mono
        /></KitField>
      </div>
      <p v-if="wrong['readings'] ?? form.errors['readings']" class="bad">
        {{ wrong['readings'] ?? form.errors['readings'] }}
      </p>
      <KitButton submit main :disabled="form.busy.value">What does it need?</KitButton>
    </form>
  </div>
</template>

<style scoped>
.places {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr));
  gap: 0.5rem;
}
h2 {
  font-size: 1.05rem;
  margin: 0.4rem 0 0;
}
.set {
  border-left: 5px solid var(--mark);
  padding-left: 0.8rem;
}
.set.old {
  border-left-color: var(--line);
}
.set p {
  margin: 0;
}
</style>
