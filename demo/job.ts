import { randomUUID } from 'node:crypto';
import { JobService } from '@aspecta/server/job/service';
import { VerdictService } from '@aspecta/server/verdict/service';
import { WorkerService } from '@aspecta/server/plan/workers';
import { wish } from '@aspecta/server/plan/wishes';
import { dayAt, type Chapter } from './chapter.ts';
import scenario from './scenario.json' with { type: 'json' };

interface Told {
  /** Steps with the hours that they took; those of a repair by the key of its decision. */
  done: [string, number][];
  own: { title: string; hours: number };
}

/** Who works when, what of the job is done, and a step that only this car has. */
export const job: Chapter = async ({ house, owner, id, story, isMain }) => {
  if (isMain)
    for (const worker of scenario.workers)
      await house.the(WorkerService).add(owner, {
        id: randomUUID(),
        ...worker,
        week: worker.week as [number, number][][],
        timeZone: 'Europe/Berlin',
      });
  // The main car is promised to somebody, and stands in the open until the shop has room.
  if (isMain) await wish(house.db, owner, id, { promised: dayAt(60), outdoors: true, version: 0 });
  const told = (story as { job?: Told }).job;
  if (!told) return;
  const jobs = house.the(JobService);
  const decided = await house.the(VerdictService).list(owner, id);
  const decisions = story.decisions as { key: string; reason: string }[];
  const named = (step: string) => {
    const [key, ...kind] = step.split(' ');
    const reason = decisions.find((decision) => decision.key === key)?.reason;
    const repair = decided.find((one) => one.reason === reason);
    return repair ? [repair.id, ...kind].join(' ') : step;
  };
  await jobs.add(owner, id, { id: randomUUID(), ...told.own, after: [], before: [], waits: false, dry: false });
  for (const [step, spent] of told.done)
    await jobs.say(owner, id, {
      step: named(step),
      state: 'done',
      reason: '',
      until: null,
      notBefore: null,
      hours: null,
      share: null,
      spent,
    });
};
