import { computed, inject, ref, type WritableComputedRef } from 'vue';
import { routerKey } from 'vue-router';

/**
 * What a person has chosen to look at, kept in the address: a link and the way back show the same.
 * The usual choice leaves the address as it is; a part that stands outside of all pages keeps it to itself.
 *
 * @param name in the address, as `?tab=pits`
 * @param usual what is chosen where the address says nothing, or nothing that is offered
 * @param offered what may be chosen; without it anything
 */
export function useInAddress<T extends string>(
  name: string,
  usual: () => T,
  offered?: () => readonly T[],
): WritableComputedRef<T> {
  const router = inject(routerKey, null);
  const own = ref<string>();
  const said = () => (router ? router.currentRoute.value.query[name] : own.value);
  return computed({
    get: () => {
      const value = said();
      const valid = typeof value === 'string' && (!offered || offered().includes(value as T));
      return valid ? (value as T) : usual();
    },
    set: (value) => {
      if (!router) own.value = value;
      else {
        const { query, hash } = router.currentRoute.value;
        const { [name]: _before, ...rest } = query;
        void router.replace({ query: value === usual() ? rest : { ...rest, [name]: value }, hash });
      }
    },
  });
}
