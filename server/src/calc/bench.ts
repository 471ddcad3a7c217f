import { Worker } from 'node:worker_threads';
import { Problem } from '@aspecta/core';
import { ServerProblem } from '../http/problems.ts';

/** s. A calculation that takes longer is stopped. */
const LONGEST = 20;
const MOST_WAITING = 20;

type Answer = { result: unknown } | { problem: { code: string; field: string; detail: string } } | { failure: string };
interface Job {
  id: string;
  input: unknown;
  resolve: (result: unknown) => void;
  reject: (error: Error) => void;
}

/** Runs calculations one after another in a thread of their own, with a time limit. */
export class CalcBench {
  private worker: Worker | undefined;
  private running: Job | undefined;
  private readonly waiting: Job[] = [];
  private timer: NodeJS.Timeout | undefined;

  run(id: string, input: unknown): Promise<unknown> {
    if (this.waiting.length >= MOST_WAITING)
      return Promise.reject(
        new ServerProblem('took-too-long', 'Too many calculations are waiting; try again in a moment.'),
      );
    return new Promise((resolve, reject) => {
      this.waiting.push({ id, input, resolve, reject });
      this.next();
    });
  }

  async close(): Promise<void> {
    clearTimeout(this.timer);
    await this.worker?.terminate();
    this.worker = undefined;
  }

  private next(): void {
    if (this.running) return;
    const job = this.waiting.shift();
    if (!job) return;
    this.running = job;
    this.worker ??= this.start();
    this.timer = setTimeout(() => {
      void this.worker?.terminate();
      this.worker = undefined;
      this.finish((current) =>
        current.reject(
          new ServerProblem('took-too-long', `The calculation was stopped after ${LONGEST} s; make the input smaller.`),
        ),
      );
    }, LONGEST * 1000);
    this.worker.postMessage({ id: job.id, input: job.input });
  }

  private start(): Worker {
    // Bundled for use, the worker lies beside the server; under development it is TypeScript and needs a loader.
    const bundled = import.meta.url.endsWith('.js');
    const source = new URL('./worker.ts', import.meta.url).href;
    const worker = bundled
      ? new Worker(new URL('./calcWorker.js', import.meta.url))
      : new Worker(
          `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(source)}); })`,
          { eval: true },
        );
    worker.unref();
    worker.on('message', (answer: Answer) => {
      this.finish((job) => {
        if ('result' in answer) job.resolve(answer.result);
        else if ('problem' in answer)
          job.reject(new Problem(answer.problem.code, answer.problem.field, answer.problem.detail));
        else job.reject(new Error(answer.failure));
      });
    });
    worker.on('error', (error) => {
      this.worker = undefined;
      this.finish((job) => job.reject(error));
    });
    return worker;
  }

  private finish(settle: (job: Job) => void): void {
    clearTimeout(this.timer);
    const job = this.running;
    this.running = undefined;
    if (job) settle(job);
    this.next();
  }
}
