import { computed, ref, shallowRef } from 'vue';

export interface Deed {
  label: string;
  undo(): Promise<void>;
  redo(): Promise<void>;
}

/** What was done on this page, to be undone and redone in order. */
export function useHistory(onProblem: (message: string) => void) {
  const done = shallowRef<readonly Deed[]>([]);
  const undone = shallowRef<readonly Deed[]>([]);
  const busy = ref(false);
  function did(deed: Deed): void {
    done.value = [...done.value, deed];
    undone.value = [];
  }
  async function step(from: typeof done, to: typeof done, act: (deed: Deed) => Promise<void>): Promise<void> {
    const deed = from.value.at(-1);
    if (!deed || busy.value) return;
    busy.value = true;
    try {
      await act(deed);
      from.value = from.value.slice(0, -1);
      to.value = [...to.value, deed];
    } catch (error) {
      onProblem(`${deed.label} cannot be changed back: ${(error as Error).message}`);
    } finally {
      busy.value = false;
    }
  }
  return {
    did,
    undo: () => step(done, undone, (deed) => deed.undo()),
    redo: () => step(undone, done, (deed) => deed.redo()),
    canUndo: computed(() => done.value.at(-1)?.label),
    canRedo: computed(() => undone.value.at(-1)?.label),
  };
}
