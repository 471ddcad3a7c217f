import { EntitySchema } from 'typeorm';
import { belongsTo, moment, ref, text, whole } from '../db/columns.ts';

/** The best that somebody has done with a made-up car. */
export interface PracticeBestRow {
  personId: string;
  plan: string;
  level: number;
  seed: number;
  points: number;
  at: Date;
}
export const PracticeBestEntity = new EntitySchema<PracticeBestRow>({
  name: 'practice_best',
  columns: {
    personId: { ...ref(), primary: true },
    plan: { ...text(40), primary: true },
    level: { ...whole(), primary: true },
    seed: { ...whole(), primary: true },
    points: whole(),
    at: moment(),
  },
  foreignKeys: [belongsTo('person', 'personId')],
});
