<script setup lang="ts">
import type { PracticeResult } from '@aspecta/contract/practice';
import type { PracticeChoice } from '@aspecta/core/practice';
import KitPress from '../kit/KitPress.vue';
import { useSession } from '../shell/session.ts';
import { hours, percent, useUnits } from '../shell/units.ts';

/* The truth is out: points, and panel by panel what was found, missed and lost. */
defineProps<{ result: PracticeResult; nameOf: (panel: string) => string }>();
const emit = defineEmits<{ look: [panel: string] }>();
const units = useUnits();
/** Of an hour, minor units. */
const rate = useSession().current!.shop.rates.hour;
const lostIn = (panels: PracticeResult['score']['panels']) => panels.reduce((sum, { lost }) => sum + lost, 0);
const WORDS: Readonly<Record<PracticeChoice, string>> = {
  sound: 'left as it is',
  patch: 'a patch',
  whole: 'the whole panel',
};
</script>

<template>
  <section class="stack" aria-live="polite">
    <p class="figure">{{ result.score.points }} <small>of 100</small></p>
    <p>
      A competent plan takes {{ hours(result.score.bestHours) }}; yours takes {{ hours(result.score.hours) }} in the
      end<template v-if="result.score.over > 0"
        >, {{ result.score.over }} readings more than were allowed among it</template
      ><template v-if="lostIn(result.score.panels) > 0"
        >: {{ hours(lostIn(result.score.panels)) }} lost by what was decided,
        {{ units.roundMoney(lostIn(result.score.panels) * rate) }} at this shop’s hour, the price of panels left
        out</template
      >. Your best with this car: {{ result.best.points }}.
    </p>
    <KitPress v-for="one in result.score.panels" :key="one.panel" class="tile panel" @click="emit('look', one.panel)">
      <strong>{{ nameOf(one.panel) }}</strong>: {{ one.lesson }}
      <span class="small soft"
        ><template v-if="one.gone > 0"
          >{{ units.area(one.gone) }} gone, {{ percent(one.found) }} of it marked. </template
        >You chose {{ WORDS[one.choice] }}, {{ hours(one.hours) }}; best: {{ WORDS[one.best] }},
        {{ hours(one.bestHours) }}.<template v-if="one.lost > 0">
          Lost by that: {{ hours(one.lost) }}, {{ units.roundMoney(one.lost * rate) }}.</template
        ><template v-if="one.needless > 0"> {{ units.area(one.needless) }} of sound metal lie in your line.</template>
      </span>
    </KitPress>
  </section>
</template>

<style scoped>
.panel {
  display: block;
  width: 100%;
  padding: 0.7rem 0.9rem;
}
.panel .small {
  display: block;
}
</style>
