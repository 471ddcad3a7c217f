import { EntitySchema } from 'typeorm';
import { belongsTo, day, decimal, flag, json, key, maybe, moment, ref, text, version } from '../db/columns.ts';

/** What a person has said of a step; it keeps to the step when decisions change. */
export interface StepWordRow {
  vehicleId: string;
  step: string;
  state: 'done' | 'skipped' | 'blocked' | null;
  reason: string;
  until: string | null;
  notBefore: string | null;
  hours: number | null;
  spent: number | null;
  share: number | null;
  by: string;
  at: Date;
}
export const StepWordEntity = new EntitySchema<StepWordRow>({
  name: 'step_word',
  columns: {
    vehicleId: { ...ref(), primary: true },
    step: { ...text(120), primary: true },
    state: maybe(text(8)),
    reason: text(300),
    until: maybe(day()),
    notBefore: maybe(day()),
    hours: maybe(decimal()),
    spent: maybe(decimal()),
    share: maybe(decimal()),
    by: text(120),
    at: moment(),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** A clock that runs on a step: somebody works on it. */
export interface StepClockRow {
  vehicleId: string;
  step: string;
  personId: string;
  by: string;
  since: Date;
}
export const StepClockEntity = new EntitySchema<StepClockRow>({
  name: 'step_clock',
  columns: {
    vehicleId: { ...ref(), primary: true },
    step: { ...text(120), primary: true },
    personId: { ...ref(), primary: true },
    by: text(120),
    since: moment(),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** A step that a person has added. */
export interface OwnStepRow {
  id: string;
  vehicleId: string;
  title: string;
  hours: number;
  after: string[];
  /** Steps that wait for it; null, as the other two, for what was added before these were asked. */
  before: string[] | null;
  waits: boolean | null;
  dry: boolean | null;
  version: number;
  by: string;
  at: Date;
}
export const OwnStepEntity = new EntitySchema<OwnStepRow>({
  name: 'own_step',
  columns: {
    id: key(),
    vehicleId: ref(),
    title: text(200),
    hours: decimal(),
    after: json(),
    before: maybe(json()),
    waits: maybe(flag()),
    dry: maybe(flag()),
    version: version(),
    by: text(120),
    at: moment(),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
