import { parentPort } from 'node:worker_threads';
import { calculate } from '@aspecta/contract/calc';
import { Problem } from '@aspecta/core';

/* A thread of its own for calculations that are asked for from outside: a heavy one never stops the server. */
parentPort?.on('message', ({ id, input }: { id: string; input: unknown }) => {
  try {
    parentPort?.postMessage({ result: calculate(id, input) });
  } catch (error) {
    if (error instanceof Problem)
      parentPort?.postMessage({ problem: { code: error.code, field: error.field, detail: error.message } });
    else parentPort?.postMessage({ failure: error instanceof Error ? error.message : String(error) });
  }
});
