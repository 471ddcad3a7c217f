import { mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { signIn } from '../testing/fakeServer.ts';
import PaperLine from './PaperLine.vue';

beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = `<main>
    <details id="folded"><summary>Before you cut</summary>Stands under it</details>
    <details id="open" open><summary>Now</summary></details>
    <figure class="chart"><details id="figures"><summary>As a table</summary></details></figure>
  </main>`;
});
const isOpen = (id: string) => (document.getElementById(id) as HTMLDetailsElement).open;
const open = () => ['folded', 'open', 'figures'].map(isOpen);

describe('a page on paper', () => {
  it('is unfolded while it is printed, but for the figures behind a chart, and as it was afterwards', () => {
    const page = mount(PaperLine);
    window.dispatchEvent(new Event('beforeprint'));
    expect(open()).toEqual([true, true, false]);
    window.dispatchEvent(new Event('afterprint'));
    expect(open()).toEqual([false, true, false]);
    page.unmount();
    window.dispatchEvent(new Event('beforeprint'));
    expect(open()).toEqual([false, true, false]);
  });
  it('says whose it is, who printed it and when', () => {
    expect(mount(PaperLine).text()).toMatch(/ · printed by .+, \d+ \w+ 20\d\d/);
  });
});
