import { flushPromises, mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { signIn } from '../testing/fakeServer.ts';
import KeyRow from './KeyRow.vue';

const coarse = (is: boolean) => vi.stubGlobal('matchMedia', () => ({ matches: is }));
const fieldOf = (mode: string) => {
  const input = document.createElement('input');
  input.inputMode = mode;
  document.body.append(input);
  return input;
};
const focusOn = async (input: HTMLInputElement) => {
  input.focus();
  input.dispatchEvent(new FocusEvent('focusin', { bubbles: true }));
  await flushPromises();
};

beforeEach(() => {
  document.body.innerHTML = '';
  signIn('owner', 'in');
});

describe('the keys that a number pad lacks', () => {
  it('write at the cursor of the figure that is typed, and the page hears of it', async () => {
    coarse(true);
    const row = mount(KeyRow, { attachTo: document.body });
    const input = fieldOf('decimal');
    const heard = vi.fn();
    input.addEventListener('input', heard);
    input.value = '63 8';
    await focusOn(input);
    input.setSelectionRange(1, 1);
    await row.get('[aria-label=space]').trigger('pointerdown');
    expect(input.value).toBe('6 3 8');
    input.setSelectionRange(3, 4);
    await row.get('[aria-label="/"]').trigger('pointerdown');
    expect(input.value).toBe('6 3/8');
    expect(heard).toHaveBeenCalledTimes(2);
    expect(row.findAll('button').map((key) => key.attributes('aria-label'))).toContain('foot mark');
  });

  it('stand only above fields of figures, and only where fingers type', async () => {
    coarse(true);
    const row = mount(KeyRow, { attachTo: document.body });
    await focusOn(fieldOf('text'));
    expect(row.find('.keys').exists()).toBe(false);
    const figure = fieldOf('decimal');
    await focusOn(figure);
    expect(row.find('.keys').exists()).toBe(true);
    figure.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    await flushPromises();
    expect(row.find('.keys').exists()).toBe(false);
    coarse(false);
    await focusOn(fieldOf('decimal'));
    expect(row.find('.keys').exists()).toBe(false);
  });
});
