import { defineStore } from 'pinia';
import { ref } from 'vue';

const AGAIN_MS = 2000;

/** Is the server there? While it is not, the page says so and keeps asking. */
export const useConnection = defineStore('connection', () => {
  const reachable = ref(true);
  /** When what is shown was last asked of the server (ms), while it is away; null where nothing old is shown. */
  const shownAsOf = ref<number | null>(null);
  const onReturn = new Set<() => void>();
  let asking: ReturnType<typeof setTimeout> | undefined;

  function note(yes: boolean): void {
    const returned = yes && !reachable.value;
    reachable.value = yes;
    if (yes) shownAsOf.value = null;
    if (!yes) ask();
    if (returned) for (const callback of onReturn) callback();
  }
  function ask(): void {
    asking ??= setTimeout(() => {
      asking = undefined;
      void look();
    }, AGAIN_MS);
  }
  async function look(): Promise<void> {
    // Whatever goes wrong with asking, it is asked again: a page that has stopped asking never comes back.
    const there = await Promise.resolve()
      .then(() => fetch('/api/alive'))
      .then(({ ok }) => ok)
      .catch(() => false);
    note(there);
  }
  function watch(): void {
    window.addEventListener('offline', () => note(false));
    window.addEventListener('online', () => ask());
  }
  /** Calls back each time the server has come back; returns how to stop that. */
  function whenBack(callback: () => void): () => void {
    onReturn.add(callback);
    return () => onReturn.delete(callback);
  }
  /** Something of the past is shown: the oldest counts. */
  function showOld(at: number): void {
    shownAsOf.value = Math.min(shownAsOf.value ?? at, at);
  }
  return { reachable, shownAsOf, showOld, note, watch, whenBack };
});
