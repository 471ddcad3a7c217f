import type { LineError, ProbeVerdict, ZoneClass } from '@aspecta/core/survey';

export interface ReadingInput {
  /** Made by the sender, so that the same reading sent twice is stored once. */
  id: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  coatingUm?: number | null;
  coatingOver?: boolean;
  metalMm?: number | null;
  probe?: ProbeVerdict | null;
  note?: string;
}

export interface ReadingView extends Required<ReadingInput> {
  at: string;
  by: string;
  withdrawn: boolean;
}

export interface ImportView {
  count: number;
  panels: Record<string, number>;
  errors: LineError[];
  stored: boolean;
}

export const EVIDENCE = {
  blister: 'Blister seen',
  pinhole: 'Pinholes',
  stripped: 'Stripped to metal',
  blasted: 'Blasted',
  opened: 'Opened up',
  map: 'From the map',
} as const;
export type Evidence = keyof typeof EVIDENCE;
export const ZONE_CLASSES: Record<ZoneClass, string> = {
  through: 'Rusted through',
  thin: 'Too thin to weld',
  pitted: 'Pitted',
  filler: 'Filler',
  'old-repair': 'Earlier repair',
};

export interface ZoneInput {
  id: string;
  panel: string;
  layer: string;
  ring: [number, number][];
  class: ZoneClass;
  evidence: Evidence;
  note: string;
}

export interface ZoneView extends ZoneInput {
  version: number;
  /** mm² */
  area: number;
  /** Share of the panel, 0 to 1. */
  share: number;
  changedAt: string;
  changedBy: string;
}
