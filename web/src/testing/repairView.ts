import type { RepairView } from '@aspecta/contract/verdict';

/** A decision as the server tells it. */
export const repairView = (over: Partial<RepairView> = {}): RepairView => ({
  id: 'r',
  panel: 'quarter-l',
  layers: [],
  zoneIds: ['z'],
  choice: 'patch',
  proposed: 'patch',
  reason: 'the rest is sound',
  hours: { mean: 6, p10: 4, p50: 6, p90: 9 },
  cost: { mean: 32_000, p10: 20_000, p50: 31_000, p90: 48_000 },
  currency: 'EUR',
  area: 9600,
  areaNow: 9600,
  done: false,
  version: 2,
  decidedBy: 'Ada',
  decidedAt: '2026-02-03T10:00:00.000Z',
  staleZones: [],
  earlier: [],
  withdrawn: null,
  order: null,
  ...over,
});
