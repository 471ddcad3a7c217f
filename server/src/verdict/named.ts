import { panelOf, pieceName, type BodyPlan } from '@aspecta/core/body';
import type { RepairRow } from './entities.ts';

/** Sheets that a repair is on, by what was decided; none in decisions of earlier times. */
export const layersOf = ({ zones }: Pick<RepairRow, 'zones'>): string[] => [
  ...new Set(zones.flatMap(({ layer }) => layer ?? [])),
];

/** What a repair is called: by its panel, and by the sheet of it where that lies behind another. */
export const repairName = (plan: BodyPlan, repair: Pick<RepairRow, 'panel' | 'zones'>): string =>
  pieceName(panelOf(plan, repair.panel), layersOf(repair));
