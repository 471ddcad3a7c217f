import { computed, onBeforeUnmount, reactive, readonly, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { runBook } from '../workers/bookBridge.ts';
import { useUnits } from '../shell/units.ts';
import { markedText, readField, usualText } from './fields.ts';
import type { BookField, BookPage, Values, Writer } from './page.ts';

/** ms. Typing is waited for so long. */
const SETTLE = 150;
/** ms after which a calculation shows its progress and can be stopped. */
const PATIENCE = 500;

/** The state of one page: what is typed, what it means, and the answer; typed values are kept in the address and on this device. */
export function useBook(page: BookPage) {
  const route = useRoute();
  const router = useRouter();
  const units = useUnits();
  const write: Writer = { ...units, unit: units.unit.value, person: units.person.value };
  const shelf = `aspecta.book.${page.key}`;
  const typed = reactive<Record<string, string>>(firstValues());
  const errors = reactive<Record<string, string | undefined>>({});
  const general = ref<string | null>(null);
  const result = shallowRef<unknown>(null);
  /** The values that the shown result belongs to. */
  const of = shallowRef<Values>({});
  const progress = ref<number | null>(null);
  const stopped = ref(false);
  const shown = computed(() => page.fields.filter((field) => !field.when || field.when(of.value)));
  let current: { stop: () => void } | undefined;
  let timer = 0;
  let run = 0;

  function firstValues(): Record<string, string> {
    let kept: Record<string, string> = {};
    try {
      kept = JSON.parse(localStorage.getItem(shelf) ?? '{}') as Record<string, string>;
    } catch {
      // What cannot be read is forgotten.
    }
    return Object.fromEntries(
      page.fields.map((field) => {
        const asked = route.query[field.key];
        return [field.key, typeof asked === 'string' ? asked : (kept[field.key] ?? usualText(field, write))];
      }),
    );
  }

  function read(): Values | null {
    const values: Record<string, number | string> = {};
    for (const field of page.fields) {
      try {
        values[field.key] = readField(field, typed[field.key] ?? '', write);
        errors[field.key] = undefined;
      } catch (error) {
        errors[field.key] = (error as Error).message;
      }
    }
    return page.fields.some((field) => errors[field.key]) ? null : values;
  }

  async function compute(): Promise<void> {
    const values = read();
    general.value = null;
    if (!values) return;
    let input: Record<string, unknown>;
    try {
      input = page.input(values, write);
    } catch (error) {
      // A text of several figures that cannot be read: its own words say which.
      const lines = page.fields.find((field) => field.kind === 'lines');
      if (lines) errors[lines.key] = (error as Error).message;
      else general.value = (error as Error).message;
      return;
    }
    // A newer question replaces one that still runs.
    if (progress.value !== null) current?.stop();
    const mine = ++run;
    stopped.value = false;
    const slow = setTimeout(() => mine === run && (progress.value ??= 0), PATIENCE);
    current = runBook(page.calc, input, (share) => {
      if (mine === run && progress.value !== null) progress.value = share;
    });
    const answer = await (current as ReturnType<typeof runBook>).answer;
    clearTimeout(slow);
    if (mine !== run) return;
    progress.value = null;
    if (answer === null) stopped.value = true;
    else if ('result' in answer) {
      of.value = values;
      result.value = answer.result;
    } else if ('problem' in answer) blame(answer.problem);
    else general.value = answer.failure;
  }

  function blame({ field, detail }: { field: string; detail: string }): void {
    const root = field.split(/[.[]/)[0]!;
    const feeds = (candidate: BookField) => (candidate.feeds ?? [candidate.key]).includes(root);
    const at = page.fields.find((candidate) => candidate.key === root) ?? page.fields.find(feeds);
    if (at) errors[at.key] = detail;
    else general.value = detail;
  }

  function settle(): void {
    clearTimeout(timer);
    timer = window.setTimeout(() => {
      const kept = Object.fromEntries(
        page.fields.map((field) => [field.key, markedText(field, typed[field.key] ?? '', write)]),
      );
      localStorage.setItem(shelf, JSON.stringify(kept));
      void router.replace({ query: kept });
      void compute();
    }, SETTLE);
  }
  watch(typed, settle);
  void compute();
  onBeforeUnmount(() => {
    clearTimeout(timer);
    run++;
    if (progress.value !== null) current?.stop();
  });

  return {
    write,
    typed,
    errors: readonly(errors),
    general: readonly(general),
    result,
    of,
    shown,
    progress: readonly(progress),
    stopped: readonly(stopped),
    stop: () => current?.stop(),
    again: () => void compute(),
    reset: () => {
      for (const field of page.fields) typed[field.key] = usualText(field, write);
    },
  };
}
