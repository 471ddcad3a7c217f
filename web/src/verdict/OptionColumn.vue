<script setup lang="ts">
import type { VerdictOption } from '@aspecta/core/verdict';
import type { VerdictView } from '@aspecta/contract/verdict';
import KitCollapse from '../kit/KitCollapse.vue';
import KitRadio from '../kit/KitRadio.vue';
import KitTable from '../kit/KitTable.vue';
import { daysText } from '../shell/days.ts';
import { hours, useUnits } from '../shell/units.ts';

const props = defineProps<{ option: VerdictOption; proposed: boolean; chosen: boolean; offer: VerdictView['offer'] }>();
const emit = defineEmits<{ choose: [] }>();
const units = useUnits();
const days = ({ p10, p90 }: { p10: number; p90: number }) => {
  const [soon, late] = [Math.ceil(p10), Math.ceil(p90)];
  return soon === late ? `about ${daysText(late)}` : `${soon} to ${late} days`;
};
</script>

<template>
  <div class="option" :class="{ chosen }">
    <KitRadio name="verdict" class="head" :chosen="chosen" @choose="emit('choose')">
      <strong>{{ option.title }}</strong><small v-if="props.proposed"> proposed</small>
    </KitRadio>
    <p class="big mono">
      {{ hours(option.hours.p50) }}<br /><small class="soft"
        >{{ hours(option.hours.p10) }} to {{ hours(option.hours.p90) }}</small
      >
    </p>
    <p class="big mono">
      {{ units.roundMoney(option.cost.p50) }}<br /><small class="soft"
        >{{ units.roundMoney(option.cost.p10) }} to {{ units.roundMoney(option.cost.p90) }}</small
      >
    </p>
    <p class="small soft">
      Done in {{ days(option.days) }}. {{ units.money(option.outlay) }} of it to be paid out<template v-if="offer"
        >: panel landed {{ units.money(offer.landed) }} from {{ offer.maker }}, {{ daysText(offer.leadDays) }}</template
      >.
    </p>
    <ul class="small">
      <li v-for="text in option.for" :key="text" class="yes">{{ units.said(text) }}</li>
      <li v-for="text in option.against" :key="text" class="no">{{ units.said(text) }}</li>
    </ul>
    <KitCollapse>
      <template #title>What is counted</template>
      <KitTable>
        <tbody>
          <tr v-for="element in option.elements" :key="element.name">
            <td>
              <RouterLink :to="`/book/rules-of-thumb?rule=${element.rule}`" class="why">{{
                element.name
              }}</RouterLink><br /><span class="soft small">{{
                units.said(`${element.count.toFixed(element.count < 10 ? 1 : 0)} ${element.unit}`)
              }}</span>
            </td>
            <td class="num">{{ hours(element.hours) }}</td>
          </tr>
        </tbody>
      </KitTable>
    </KitCollapse>
  </div>
</template>

<style scoped>
.option {
  border: 1px solid var(--line);
  border-radius: 10px;
  padding: 0.75rem;
  display: flex;
  flex-direction: column;
  gap: 0.4rem;
}
.option.chosen {
  border: 2px solid var(--mark);
  padding: calc(0.75rem - 1px);
}
.head {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  min-height: 44px;
  cursor: pointer;
}
.head small {
  color: var(--mark);
  font-weight: 600;
  display: block;
}
.big {
  font-size: 1.25rem;
  line-height: 1.15;
  margin: 0;
}
.big small {
  font-size: 0.8rem;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.3rem;
}
li {
  padding-left: 1.1rem;
  position: relative;
}
li::before {
  position: absolute;
  left: 0;
  font-weight: 600;
}
.yes::before {
  content: '+';
  color: var(--good);
}
.no::before {
  content: '–';
  color: var(--alarm);
}
</style>
