<script setup lang="ts">
import { onMounted, ref } from 'vue';
import KitButton from '../src/kit/KitButton.vue';
import KitCheckbox from '../src/kit/KitCheckbox.vue';
import KitChecks from '../src/kit/KitChecks.vue';
import KitChips from '../src/kit/KitChips.vue';
import KitCollapse from '../src/kit/KitCollapse.vue';
import KitDate from '../src/kit/KitDate.vue';
import KitDialog from '../src/kit/KitDialog.vue';
import KitField from '../src/kit/KitField.vue';
import KitInput from '../src/kit/KitInput.vue';
import KitNotice from '../src/kit/KitNotice.vue';
import KitPress from '../src/kit/KitPress.vue';
import KitProgress from '../src/kit/KitProgress.vue';
import KitProvider from '../src/kit/KitProvider.vue';
import KitRadio from '../src/kit/KitRadio.vue';
import KitSelect from '../src/kit/KitSelect.vue';
import KitSlider from '../src/kit/KitSlider.vue';
import KitTable from '../src/kit/KitTable.vue';
import KitTabs from '../src/kit/KitTabs.vue';
import KitUpload from '../src/kit/KitUpload.vue';

/* Every part of the kit once, for the test that goes through them by keyboard and with axe. */
const night = ref(false);
const said = ref('');
const open = ref(false);
const text = ref('');
const lines = ref('');
const maker = ref('b');
const day = ref('2026-03-01');
const agreed = ref(false);
const some = ref<string[]>(['one']);
const chip = ref('mm');
const tab = ref('map');
const place = ref(10);
const option = ref('patch');
const letters = [
  { value: 'one', label: 'One' },
  { value: 'two', label: 'Two' },
];
onMounted(() => (night.value = location.hash === '#night'));
if (location.hash === '#night') document.documentElement.dataset['look'] = 'night';
</script>

<template>
  <KitProvider :night="night">
    <main class="page stack">
      <h1>The kit</h1>
      <p data-testid="said" role="status">{{ said }}</p>
      <form class="stack" @submit.prevent="said = `sent ${text}`">
        <KitField v-slot="{ bind }" label="Name" hint="As it is called">
          <KitInput v-bind="bind" v-model="text" autocomplete="off" />
        </KitField>
        <KitField v-slot="{ bind }" label="Length" error="No length; write 12 mm.">
          <KitInput mono v-bind="bind" v-model="text" inputmode="decimal" />
        </KitField>
        <KitField v-slot="{ bind }" label="Notes"><KitInput v-bind="bind" v-model="lines" rows="2" /></KitField>
        <KitField v-slot="{ bind }" label="Maker">
          <KitSelect v-bind="bind" v-model="maker">
            <option value="a">Alder</option>
            <option value="b">Birch</option>
          </KitSelect>
        </KitField>
        <KitField v-slot="{ bind }" label="Day"><KitDate v-bind="bind" v-model="day" /></KitField>
        <KitCheckbox v-model="agreed">I have read it</KitCheckbox>
        <KitChecks v-model="some" legend="Which ones?" :options="letters" />
        <KitChips
          v-model="chip"
          legend="Unit"
          :options="[
            { value: 'mm', label: 'Millimetres' },
            { value: 'in', label: 'Inches' },
          ]"
        />
        <div role="radiogroup" aria-label="Option">
          <KitRadio name="option" :chosen="option === 'patch'" @choose="option = 'patch'">Patch</KitRadio>
          <KitRadio name="option" :chosen="option === 'whole'" @choose="option = 'whole'">Whole panel</KitRadio>
        </div>
        <KitButton submit main>Send</KitButton>
      </form>
      <KitTabs
        v-model="tab"
        legend="Views"
        :options="[
          { value: 'map', label: 'Map' },
          { value: 'pits', label: 'Pits' },
        ]"
      />
      <KitSlider v-model="place" label="Place" :max="100" :step="5" />
      <KitProgress label="Computing" :share="0.4" />
      <KitCollapse title="More"><p>What was hidden.</p></KitCollapse>
      <KitUpload label="A file" accept=".csv" @files="said = `took ${$event[0]!.name}`" />
      <KitTable>
        <thead>
          <tr>
            <th>Part</th>
            <th class="num">mm</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>Sill</td>
            <td class="num">1.2</td>
          </tr>
        </tbody>
      </KitTable>
      <KitNotice>Something to know.</KitNotice>
      <KitNotice bad>Something is wrong.</KitNotice>
      <div class="row">
        <KitButton to="/somewhere">Go there</KitButton>
        <KitButton plain small @click="said = 'pressed'">Press</KitButton>
        <KitButton disabled>Not now</KitButton>
        <KitPress @click="said = 'area'">A whole area</KitPress>
        <KitButton @click="open = true">Open the window</KitButton>
      </div>
      <KitDialog v-if="open" title="A window" @close="open = false">
        <p>Inside.</p>
        <KitButton main @click="open = false">Done</KitButton>
      </KitDialog>
      <p data-testid="state">
        {{ JSON.stringify({ text, lines, maker, agreed, some, chip, tab, place, option }) }}
      </p>
    </main>
  </KitProvider>
</template>
