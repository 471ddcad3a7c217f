import { shallowRef, watch } from 'vue';
import { get } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { useLoad } from '../shell/useLoad.ts';

/**
 * What each school comes to, asked for one question after the other – together they would keep everybody else
 * waiting – and shown as it comes; anew when the rules were saved.
 */
export function useSchoolCosts<T>(at: string, questions: readonly string[], version: () => number) {
  const session = useSession();
  const costs = shallowRef<readonly T[]>([]);
  const load = useLoad(async () => {
    costs.value = [];
    if (!session.canWork) return true;
    for (const question of questions) costs.value = [...costs.value, ...(await get<T[]>(`${at}/${question}`))];
    return true;
  });
  watch(version, () => load.reload());
  return { costs, load, asked: session.canWork };
}
