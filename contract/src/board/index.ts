import type { OptionId } from '@aspecta/core/verdict';
import type { PanelCondition } from '@aspecta/core/survey';
import type { NextStep } from '../garage/index.ts';

export interface BoardPanel {
  panel: string;
  /** What the Board shows: work that is done or decided goes before condition. */
  state: PanelCondition | 'decided' | 'done';
  condition: PanelCondition;
  coverage: number;
  readings: number;
  thinnest: number | null;
  thinnestUnder: boolean;
  deepestCoating: number | null;
  deepestOver: boolean;
  zones: number;
  choice: OptionId | null;
  /** State of the order for it, if there is one on its way. */
  awaited: { state: string; due: string | null; late: boolean } | null;
}

export interface Board {
  panels: BoardPanel[];
  next: NextStep;
}
