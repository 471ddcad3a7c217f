import { EntitySchema } from 'typeorm';
import type { EarlierWeld, WeldPlanView, WeldSettingsInput } from '@aspecta/contract/weld';
import type { WeldPlan } from '@aspecta/core/weld';
import { belongsTo, json, key, maybe, moment, ref, text, version, whole } from '../db/columns.ts';

/** A weld plan as it was laid out: steps that are done refer to it, so it is kept as it was. */
export interface WeldRow {
  /** The repair's id. */
  id: string;
  input: WeldSettingsInput;
  plan: WeldPlan;
  joints: WeldPlanView['joints'];
  /** Plans of which welds were done before this one was laid out. */
  earlier: EarlierWeld[] | null;
  acknowledgedBy: string | null;
  acknowledgedAt: Date | null;
  version: number;
}
export const WeldEntity = new EntitySchema<WeldRow>({
  name: 'weld',
  columns: {
    id: key(),
    input: json(),
    plan: json(),
    joints: json(),
    earlier: maybe(json()),
    acknowledgedBy: maybe(text(120)),
    acknowledgedAt: maybe(moment()),
    version: version(),
  },
  foreignKeys: [belongsTo('repair', 'id')],
});

export interface WeldStepRow {
  weldId: string;
  n: number;
  at: Date;
  by: string;
}
export const WeldStepEntity = new EntitySchema<WeldStepRow>({
  name: 'weld_step',
  columns: { weldId: { ...ref(), primary: true }, n: { ...whole(), primary: true }, at: moment(), by: text(120) },
  foreignKeys: [belongsTo('weld', 'weldId')],
});
