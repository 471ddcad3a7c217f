<script setup lang="ts">
import type { AuditLine } from '@aspecta/contract/account';
import KitTable from '../kit/KitTable.vue';
import { get } from '../shell/api.ts';
import { timeOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

/* What happened to accounts and rules, for the owner. */
const units = useUnits();
const load = useLoad(() => get<AuditLine[]>('/shop/audit'));
</script>

<template>
  <section class="tile stack">
    <h2>What happened to accounts and rules</h2>
    <Waiting :of="load" what="What happened">
      <KitTable v-if="load.data.value">
        <tbody>
          <tr v-for="(line, i) in load.data.value.slice(0, 50)" :key="i">
            <td class="small soft">{{ timeOf(line.at) }}</td>
            <td>
              {{ units.said(line.text) }}<br /><span class="small soft"
                >{{ line.by }}{{ line.address ? ` from ${line.address}` : '' }}</span
              >
            </td>
          </tr>
        </tbody>
      </KitTable>
    </Waiting>
  </section>
</template>
