import { randomUUID } from 'node:crypto';
import { JobService } from '@aspecta/server/job/service';
import { PlanService } from '@aspecta/server/plan/service';
import type { Chapter } from './chapter.ts';
import scenario from './scenario.json' with { type: 'json' };

interface Told {
  done: [string, number][];
  own: { title: string; hours: number };
}

/** Who works when, what of the job is done, and a step that only this car has. */
export const job: Chapter = async ({ house, owner, id, story, isMain }) => {
  if (isMain)
    for (const worker of scenario.workers)
      await house.the(PlanService).addWorker(owner, {
        id: randomUUID(),
        ...worker,
        week: worker.week as [number, number][][],
        timeZone: 'Europe/Berlin',
      });
  const told = (story as { job?: Told }).job;
  if (!told) return;
  const jobs = house.the(JobService);
  await jobs.add(owner, id, { id: randomUUID(), ...told.own, after: [] });
  for (const [step, spent] of told.done)
    await jobs.say(owner, id, { step, state: 'done', reason: '', until: null, notBefore: null, hours: null, spent });
};
