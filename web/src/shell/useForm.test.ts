import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { Problem } from '@aspecta/core';
import { ApiProblem } from './api.ts';
import { useForm } from './useForm.ts';

beforeEach(() => setActivePinia(createPinia()));
const refusal = (body: object) => new ApiProblem({ status: 422, code: 'invalid', detail: 'No.', ...body } as never);

describe('a form', () => {
  it('puts what was refused at its field, and says the rest where it shows no such field', async () => {
    const form = useForm();
    const errors = [
      { field: 'price', detail: 'The price must be a number.' },
      { field: 'zoneIds', detail: 'Choose zones of one panel.' },
    ];
    expect(await form.submit(() => Promise.reject(refusal({ field: 'price', errors })))).toBe(false);
    expect(form.errors['price']).toBe('The price must be a number.');
    expect(form.rest('price')).toBe('Choose zones of one panel.');
    expect(form.rest('price', 'zoneIds')).toBeNull();
  });

  it('is never silent: what has no field is told, of the server, of core and of the way there', async () => {
    const form = useForm();
    await form.submit(() => Promise.reject(refusal({ detail: 'The order is over.' })));
    expect(form.rest('price')).toBe('The order is over.');
    await form.submit(() => Promise.reject(new Problem('parallel', 'datums', 'The edges are parallel.')));
    expect(form.rest('price')).toBe('The edges are parallel.');
    await form.submit(() => Promise.reject(new Error('The server does not answer.')));
    expect(form.rest()).toBe('The server does not answer.');
  });

  it('forgets what was refused when it is sent again, and sends once while it is on its way', async () => {
    const form = useForm();
    await form.submit(() => Promise.reject(refusal({ field: 'price' })));
    let sent = 0;
    let answer!: () => void;
    const slow = () => {
      sent++;
      return new Promise<void>((done) => (answer = done));
    };
    const first = form.submit(slow);
    expect(form.rest()).toBeNull();
    expect(await form.submit(slow)).toBe(false);
    answer();
    expect(await first).toBe(true);
    expect(sent).toBe(1);
  });
});
