import { describe, expect, it } from 'vitest';
import { nextOnPanel, type Before } from './nextStep.ts';

const before = (over: Partial<Before> = {}): Before => ({
  vehicle: 'v',
  panel: 'sill-l',
  zones: [],
  repairs: [],
  readings: 0,
  called: 0,
  proposes: false,
  advised: true,
  canWork: true,
  isCustomer: false,
  ...over,
});
const decided = (zoneIds: string[], staleZones: string[] = [], panel = 'sill-l') => ({ panel, zoneIds, staleZones });

describe('the next step before a panel', () => {
  it.each([
    ['nothing known', {}, 'Take the first reading at mark 1'],
    ['nothing known, no place advised', { advised: false }, 'Take the first reading'],
    ['some readings', { readings: 4, called: 0.2 }, 'Read next at mark 1'],
    ['all called', { readings: 40, called: 1 }, 'Take more readings where the sheet is still dotted'],
    ['a zone proposed', { proposes: true }, 'Take the zone that the map proposes'],
    ['two zones drawn', { zones: [{ id: 'a' }, { id: 'b' }] }, 'Weigh treat, patch or whole panel for 2 zones'],
    [
      'one of two decided',
      { zones: [{ id: 'a' }, { id: 'b' }], repairs: [decided(['a'])] },
      'Weigh treat, patch or whole panel for 1 zone',
    ],
    [
      'all decided',
      { zones: [{ id: 'a' }, { id: 'b' }], repairs: [decided(['a']), decided(['b'])] },
      'Decided. To what can be done of it',
    ],
    [
      'decided, and the map finds more',
      { zones: [{ id: 'a' }], repairs: [decided(['a'])], proposes: true },
      'Take the zone that the map proposes',
    ],
    [
      'grown since',
      { zones: [{ id: 'a' }], repairs: [decided(['a'], ['a'])] },
      'Decide again: a zone has changed since',
    ],
    [
      'decided on another panel',
      { zones: [{ id: 'a' }], repairs: [decided(['a'], [], 'sill-r')] },
      'Weigh treat, patch or whole panel for 1 zone',
    ],
    ['a viewer, nothing drawn', { canWork: false }, 'Back to the whole body'],
    ['a customer', { isCustomer: true, zones: [{ id: 'a' }] }, 'Back to the whole body'],
  ] as [string, Partial<Before>, string][])('%s', (_case, over, text) => {
    const next = nextOnPanel(before(over));
    expect(next.text).toBe(text);
    // It leads to a page, or does something here.
    expect(Boolean(next.to) !== Boolean(next.does)).toBe(true);
  });
});
