import { expose, transfer } from 'comlink';
import { Problem } from '@aspecta/core';
import { heatReplay, type HeatReplay, type HeatReplayInput } from '@aspecta/core/weld';

/* The heat of a weld plan, away from the page. */
export type HeatAnswer = { replay: HeatReplay } | { refused: string };

/** ms between two words of how far it has come. */
const TELL_EVERY = 120;
const api = {
  replay(input: HeatReplayInput, progress: (share: number) => void): HeatAnswer {
    let told = performance.now();
    try {
      const replay = heatReplay(input, (share) => {
        const now = performance.now();
        if (now - told < TELL_EVERY) return;
        told = now;
        progress(share);
      });
      return transfer({ replay }, [replay.rises.buffer]);
    } catch (error) {
      if (error instanceof Problem) return { refused: error.message };
      throw error;
    }
  },
};
export type HeatApi = typeof api;
expose(api);
