import { createHash } from 'node:crypto';
import { Worker } from 'node:worker_threads';
import { LRUCache } from 'lru-cache';
import { Problem } from '@aspecta/core';
import { ServerProblem } from '../http/problems.ts';
import type { JobAnswer, JobInput, JobName } from './jobs.ts';
import type { Outcome, Told } from './worker.ts';

export interface Limits {
  /** s. A job that takes longer is stopped. */
  longest: number;
  /** MB of memory of one thread. */
  memory: number;
  /** Jobs that may wait, in all and of one asker: nobody takes the whole bench. */
  mostWaiting: number;
  mostOfOne: number;
  threads: number;
}
const LIMITS: Limits = { longest: 20, memory: 512, mostWaiting: 40, mostOfOne: 8, threads: 2 };

/** Jobs whose answers are kept: who comes back to the same question has it at once. */
const KEPT: ReadonlySet<JobName> = new Set(['weighRepair']);
const MOST_KEPT = 300;

interface Job {
  name: JobName;
  input: unknown;
  asker: string;
  resolve: (answer: never) => void;
  reject: (error: Error) => void;
}

interface Place {
  worker: Worker | undefined;
  ready: boolean;
  job: Job | undefined;
  timer: NodeJS.Timeout | undefined;
}

/**
 * Heavy work in threads of its own, so that it never holds up those who only ask: with limits
 * of time and memory, and a fair queue.
 */
export class Workbench {
  private readonly limits: Limits;
  private readonly places: Place[];
  private readonly waiting: Job[] = [];
  private readonly known = new LRUCache<string, { answer: unknown }>({ max: MOST_KEPT });

  constructor(limits: Partial<Limits> = {}) {
    this.limits = { ...LIMITS, ...limits };
    this.places = Array.from({ length: this.limits.threads }, () => ({
      worker: undefined,
      ready: false,
      job: undefined,
      timer: undefined,
    }));
  }

  /**
   * Does a job and gives its answer.
   * @param asker who waits for it: a person, a shop, or the address of a stranger
   * @throws what the job refuses; `took-too-long`, `too-large` or `busy` by the limits
   */
  async run<N extends JobName>(name: N, input: JobInput<N>, asker: string): Promise<JobAnswer<N>> {
    if (!KEPT.has(name)) return this.work(name, input, asker);
    const key = createHash('sha1').update(name).update(JSON.stringify(input)).digest('base64');
    const known = this.known.get(key) ?? { answer: await this.work(name, input, asker) };
    this.known.set(key, known);
    // Each asker may change his own.
    return structuredClone(known.answer) as JobAnswer<N>;
  }

  private work<N extends JobName>(name: N, input: JobInput<N>, asker: string): Promise<JobAnswer<N>> {
    const ofOne = this.waiting.filter((job) => job.asker === asker).length;
    if (this.waiting.length >= this.limits.mostWaiting || ofOne >= this.limits.mostOfOne)
      return Promise.reject(new ServerProblem('busy', 'Too much is waiting to be worked out; try again in a moment.'));
    return new Promise((resolve, reject) => {
      this.waiting.push({ name, input, asker, resolve, reject });
      this.next();
    });
  }

  async close(): Promise<void> {
    for (const place of this.places) clearTimeout(place.timer);
    await Promise.all(this.places.map((place) => place.worker?.terminate()));
  }

  private next(): void {
    const place = this.places.find((candidate) => !candidate.job);
    const job = place && this.waiting.shift();
    if (!job) return;
    place.job = job;
    place.worker ??= this.start(place);
    if (place.ready) this.begin(place, job);
  }

  /** The time of a job begins when its thread is there. */
  private begin(place: Place, job: Job): void {
    place.timer = setTimeout(() => {
      const { longest } = this.limits;
      this.clear(
        place,
        new ServerProblem('took-too-long', `This was stopped after ${longest} s; make the input smaller.`),
      );
    }, this.limits.longest * 1000);
    place.worker!.postMessage({ name: job.name, input: job.input });
  }

  private start(place: Place): Worker {
    // Bundled for use, the worker lies beside the server; under development it is TypeScript and needs a loader.
    const bundled = import.meta.url.endsWith('.js');
    const source = new URL('./worker.ts', import.meta.url).href;
    const resourceLimits = { maxOldGenerationSizeMb: this.limits.memory };
    const worker = bundled
      ? new Worker(new URL('./worker.js', import.meta.url), { resourceLimits })
      : new Worker(
          `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(source)}); })`,
          { eval: true, resourceLimits },
        );
    worker.unref();
    worker.on('message', (told: Told) => {
      if (told !== 'ready') return this.finish(place, (job) => settle(job, told));
      place.ready = true;
      if (place.job) this.begin(place, place.job);
    });
    worker.on('error', (error: NodeJS.ErrnoException) => {
      const full = error.code === 'ERR_WORKER_OUT_OF_MEMORY';
      this.clear(
        place,
        full ? new ServerProblem('too-large', 'This takes more memory than there is; make it smaller.') : error,
        worker,
      );
    });
    return worker;
  }

  /** A thread that was stopped or died: the next job gets a new one. */
  private clear(place: Place, error: Error, of = place.worker): void {
    if (place.worker !== of) return;
    void place.worker?.terminate();
    place.worker = undefined;
    place.ready = false;
    this.finish(place, (job) => job.reject(error));
  }

  private finish(place: Place, tell: (job: Job) => void): void {
    clearTimeout(place.timer);
    const { job } = place;
    place.job = undefined;
    if (job) tell(job);
    this.next();
  }
}

function settle(job: Job, outcome: Outcome): void {
  if ('answer' in outcome) job.resolve(outcome.answer as never);
  else if ('problem' in outcome)
    job.reject(new Problem(outcome.problem.code, outcome.problem.field, outcome.problem.detail));
  else if ('refusal' in outcome) {
    const { code, detail, field, extra } = outcome.refusal;
    job.reject(new ServerProblem(code, detail, field, extra));
  } else job.reject(new Error(outcome.failure));
}
