import type { ReadingView } from '@aspecta/contract/survey';
import type { Reading } from '@aspecta/core/survey';

/** A reading of the wire as core takes it: what was not read is left out. */
export const asReading = (view: ReadingView): Reading => ({
  panel: view.panel,
  layer: view.layer,
  u: view.u,
  v: view.v,
  coatingUm: view.coatingUm ?? undefined,
  coatingOver: view.coatingOver || undefined,
  metalMm: view.metalMm ?? undefined,
  metalUnder: view.metalUnder || undefined,
  probe: view.probe ?? undefined,
  note: view.note,
  readAt: Date.parse(view.takenAt ?? view.at),
});
