import { onMounted, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { onUnmounted } from 'vue';
import { ApiProblem } from './api.ts';
import { useConnection } from './connection.ts';

export interface Load<T> {
  data: ShallowRef<T | null>;
  error: Ref<string | null>;
  missing: Ref<boolean>;
  loading: Ref<boolean>;
  reload: () => Promise<void>;
}

/**
 * Loads something when the page opens, again when asked to, and again when the server has come back.
 *
 * @param load is told whether it was loaded before: what is known elsewhere will do for the first time only
 */
export function useLoad<T>(load: (again: boolean) => Promise<T>): Load<T> {
  const data = shallowRef<T | null>(null);
  const error = ref<string | null>(null);
  const missing = ref(false);
  const loading = ref(true);
  let again = false;
  async function reload(): Promise<void> {
    loading.value = true;
    try {
      data.value = await load(again);
      again = true;
      error.value = null;
    } catch (problem) {
      error.value = (problem as Error).message;
      missing.value = problem instanceof ApiProblem && problem.body.status === 404;
    } finally {
      loading.value = false;
    }
  }
  const stop = useConnection().whenBack(() => void reload());
  onMounted(reload);
  onUnmounted(stop);
  return { data, error, missing, loading, reload };
}
