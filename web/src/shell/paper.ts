import { onMounted, onUnmounted } from 'vue';

/** What is folded up on the screen and read on paper; the figures behind a chart stay folded: the chart is there. */
const FOLDED = 'main details:not([open])';
const BEHIND_A_CHART = '.chart';

/** Unfolds a page while it is printed: what lies folded on paper is lost. */
export function usePaper(): void {
  let unfolded: HTMLDetailsElement[] = [];
  function before(): void {
    unfolded = [...document.querySelectorAll<HTMLDetailsElement>(FOLDED)].filter(
      (folded) => !folded.closest(BEHIND_A_CHART),
    );
    for (const one of unfolded) one.open = true;
  }
  function after(): void {
    for (const one of unfolded) one.open = false;
    unfolded = [];
  }
  onMounted(() => {
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
  });
  onUnmounted(() => {
    window.removeEventListener('beforeprint', before);
    window.removeEventListener('afterprint', after);
  });
}
