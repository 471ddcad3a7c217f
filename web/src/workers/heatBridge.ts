import { proxy } from 'comlink';
import type { HeatReplayInput } from '@aspecta/core/weld';
import type { HeatAnswer, HeatApi } from './heat.ts';
import { stoppable } from './stoppable.ts';

const worker = stoppable<HeatApi>(() => new Worker(new URL('./heat.ts', import.meta.url), { type: 'module' }));

/** Reckons the heat of a weld plan; `stop` ends it at once. */
export const runReplay = (
  input: HeatReplayInput,
  progress: (share: number) => void,
): { answer: Promise<HeatAnswer | null>; stop: () => void } =>
  worker.run<HeatAnswer>(async (api) => api.replay(structuredClone(input), proxy(progress)));
