import { describe, expect, it } from 'vitest';
import { standingOf, type JobStep, type StepWord } from './index.ts';

const HOUR = 3_600_000;
const step = (id: string, over: Partial<JobStep> = {}): JobStep => ({
  id,
  kind: 'own',
  repair: null,
  panel: null,
  title: id,
  hours: 1,
  waits: false,
  after: [],
  dry: false,
  needs: [],
  share: 0,
  closes: [],
  path: '',
  ...over,
});
const after = (id: string, more: object = {}) => ({ id, why: `After ${id}.`, ...more });
/** Weld, prime, a day of drying, seal. */
const coat = [
  step('weld'),
  step('prime', { after: [after('weld')] }),
  step('cure', { kind: 'cure', waits: true, hours: 24, after: [after('prime')] }),
  step('seal', { after: [after('cure')] }),
];
const said = (...words: [string, StepWord][]) => new Map(words);
const states = (steps: readonly JobStep[], words: ReadonlyMap<string, StepWord>, now: number) =>
  steps.map(({ id }) => standingOf(steps, words, now).get(id)!.state);

describe('how the steps stand', () => {
  it('is ready for the first, and for the others says what they wait for and why', () => {
    expect(states(coat, said(), 0)).toEqual(['ready', 'waits', 'waits', 'waits']);
    expect(standingOf(coat, said(), 0).get('prime')!.open).toEqual([{ id: 'weld', why: 'After weld.' }]);
  });
  it('goes on by the clock where nobody works: a coat dries over night and is done by itself', () => {
    const words = said(['weld', { state: 'done', at: 0 }], ['prime', { state: 'done', at: 2 * HOUR }]);
    expect(states(coat, words, 20 * HOUR)).toEqual(['done', 'done', 'running', 'waits']);
    expect(standingOf(coat, words, 20 * HOUR).get('cure')!.at).toBe(26 * HOUR);
    expect(states(coat, words, 26 * HOUR)).toEqual(['done', 'done', 'done', 'ready']);
  });
  it('takes as passed what comes before something that is begun, and says that nobody has noted it', () => {
    const begun = coat.map((one) => (one.id === 'prime' ? { ...one, share: 0.3 } : one));
    expect(states(begun, said(), 0)).toEqual(['passed', 'ready', 'waits', 'waits']);
    expect(states(coat, said(['seal', { state: 'done', at: 0 }]), 0)).toEqual(['passed', 'passed', 'passed', 'done']);
  });
  it('never takes a part as here because something later is begun: the order book knows better', () => {
    const steps = [
      step('order', { recorded: true }),
      step('cut', { after: [after('order')] }),
      step('make', { after: [after('cut'), after('order')] }),
    ];
    const begun = steps.map((entry) => (entry.id === 'cut' ? { ...entry, share: 0.3 } : entry));
    expect(states(begun, said(), 0)).toEqual(['ready', 'waits', 'waits']);
    expect(states(begun, said(['cut', { state: 'done', at: 0 }]), 0)).toEqual(['ready', 'done', 'waits']);
  });
  it('takes nothing of another repair as passed: the outer one was only begun too early', () => {
    const steps = [
      step('inner weld', { repair: 'inner' }),
      step('outer fit', { repair: 'outer', after: [after('inner weld')] }),
      step('outer weld', { repair: 'outer', share: 0.5, after: [after('outer fit')] }),
    ];
    expect(states(steps, said(), 0)).toEqual(['ready', 'passed', 'ready']);
  });
  it('waits for hours that have to pass after another step', () => {
    const steps = [step('behind'), step('weld', { after: [after('behind', { lag: 24 })] })];
    const words = said(['behind', { state: 'done', at: 0 }]);
    expect(standingOf(steps, words, 10 * HOUR).get('weld')).toMatchObject({ state: 'waits', at: 24 * HOUR });
    expect(states(steps, words, 25 * HOUR)).toEqual(['done', 'ready']);
  });
  it('is blocked until the day that was said, and goes on behind what was skipped', () => {
    const words = said(['weld', { state: 'blocked', at: 0, until: 5 * HOUR }]);
    expect(states(coat, words, HOUR)[0]).toBe('blocked');
    expect(states(coat, words, 6 * HOUR)[0]).toBe('ready');
    expect(states(coat, said(['weld', { state: 'blocked', at: 0, until: null }]), 1e15)[0]).toBe('blocked');
    expect(states(coat, said(['weld', { state: 'skipped', at: 0 }]), 0).slice(0, 2)).toEqual(['skipped', 'ready']);
  });
  it('has a part under way until it is here', () => {
    const steps = [
      step('delivery', { kind: 'delivery', waits: true, hours: 48 }),
      step('check', { after: [after('delivery')] }),
    ];
    expect(states(steps, said(), 0)).toEqual(['running', 'waits']);
    expect(standingOf(steps, said(), 0).get('delivery')!.at).toBe(48 * HOUR);
    expect(states([{ ...steps[0]!, share: 1 }, steps[1]!], said(), 0)).toEqual(['done', 'ready']);
  });
});
