import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { post } from './api.ts';
import { whenCalm } from './calm.ts';

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('fetch', () => Promise.resolve(new Response('{}', { status: 200 })));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('what is done when it is calm', () => {
  it('is done once for many calls, a moment later', () => {
    const act = vi.fn();
    const { call } = whenCalm(act);
    call();
    call();
    expect(act).not.toHaveBeenCalled();
    vi.advanceTimersByTime(400);
    expect(act).toHaveBeenCalledTimes(1);
    call();
    vi.advanceTimersByTime(400);
    expect(act).toHaveBeenCalledTimes(2);
  });
  it('waits while this person changes things, and is dropped when its page is left', async () => {
    const act = vi.fn();
    const { call, stop } = whenCalm(act);
    await post('/anything');
    call();
    vi.advanceTimersByTime(1000);
    await post('/anything');
    vi.advanceTimersByTime(1000);
    expect(act).not.toHaveBeenCalled();
    vi.advanceTimersByTime(700);
    expect(act).toHaveBeenCalledTimes(1);
    call();
    stop();
    vi.advanceTimersByTime(5000);
    expect(act).toHaveBeenCalledTimes(1);
  });
});
