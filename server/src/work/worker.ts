import { parentPort } from 'node:worker_threads';
import { Problem } from '@aspecta/core';
import { ServerProblem } from '../http/problems.ts';
import { jobs, type JobName } from './jobs.ts';

/** What crosses from a thread: that it is ready, and then what each job comes to. */
export type Told = 'ready' | Outcome;

export type Outcome =
  | { answer: unknown }
  | { problem: { code: string; field: string; detail: string } }
  | {
      refusal: {
        code: ServerProblem['code'];
        detail: string;
        field: string | undefined;
        extra: Record<string, unknown>;
      };
    }
  | { failure: string };

/* A thread of its own for heavy work: one job at a time, by name. */
parentPort?.on('message', ({ name, input }: { name: JobName; input: never }) => {
  void Promise.resolve()
    .then((): unknown => jobs[name](input))
    .then((answer): Outcome => ({ answer }), outcomeOf)
    .then((outcome) => parentPort?.postMessage(outcome));
});
parentPort?.postMessage('ready' satisfies Told);

function outcomeOf(error: unknown): Outcome {
  if (error instanceof Problem) return { problem: { code: error.code, field: error.field, detail: error.message } };
  if (error instanceof ServerProblem)
    return { refusal: { code: error.code, detail: error.message, field: error.field, extra: error.extra } };
  // Nested or numerous beyond what a thread can follow.
  if (error instanceof RangeError)
    return {
      refusal: {
        code: 'too-large',
        detail: 'This is too large to be worked out; make it smaller.',
        field: undefined,
        extra: {},
      },
    };
  return { failure: error instanceof Error ? (error.stack ?? error.message) : String(error) };
}
