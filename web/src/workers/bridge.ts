import { wrap, type Remote } from 'comlink';
import type { ComputeApi } from './compute.ts';

let remote: Remote<ComputeApi> | undefined;

/** The one worker of the page; started when something is first computed. */
export function compute(): Remote<ComputeApi> {
  remote ??= wrap<ComputeApi>(new Worker(new URL('./compute.ts', import.meta.url), { type: 'module' }));
  return remote;
}
