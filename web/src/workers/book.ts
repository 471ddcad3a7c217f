import { expose } from 'comlink';
import { calculate, listCalculations, type CalculationView } from '@aspecta/contract/calc';
import { Problem } from '@aspecta/core';

/* Every calculation of the catalogue, away from the page. */
export type Answer =
  | { result: unknown; took: number }
  | { problem: { code: string; field: string; detail: string } }
  | { failure: string };

const api = {
  list: (): CalculationView[] => listCalculations(),
  run(id: string, input: unknown, progress: (share: number) => void): Answer {
    const begun = performance.now();
    let told = begun;
    const watch = (share: number) => {
      const now = performance.now();
      if (now - told < 120) return;
      told = now;
      progress(share);
    };
    try {
      return { result: calculate(id, input, watch), took: performance.now() - begun };
    } catch (error) {
      if (error instanceof Problem) return { problem: { code: error.code, field: error.field, detail: error.message } };
      return { failure: error instanceof Error ? error.message : String(error) };
    }
  },
};
export type BookApi = typeof api;
expose(api);
