import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { CORNER_TAPES, type CornersView, type HoldView, type RoundView } from '@aspecta/contract/hold';
import { bodyPlan } from '@aspecta/core/body';
import { square } from '@aspecta/core/hold';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import { cornersText, moveText } from './cornersText.ts';
import HoldPage from './HoldPage.vue';

const far = (p: readonly [number, number], q: readonly [number, number]) => Math.hypot(p[0] - q[0], p[1] - q[1]);
/** A floor of 1000 by 600 mm whose rear end stands over by so much. */
function lengths(over: number): number[] {
  const [a, b, c, d] = [
    [0, 0],
    [1000, 0],
    [1000 + over, 600],
    [over, 600],
  ] as [number, number][] as [[number, number], [number, number], [number, number], [number, number]];
  return [far(a, b), far(b, c), far(c, d), far(d, a), far(a, c), far(b, d)];
}
const said = (mm: number) => `${mm.toFixed(0)} mm`;
const found = (over: number) => {
  const all = lengths(over);
  return square({ sides: all.slice(0, 4), diagonals: all.slice(4), sd: 1 });
};

describe('what four corners say', () => {
  it('is that it is square, or which end stands over and where both corners go', () => {
    expect(cornersText(found(0), said)).toEqual(['It is square, as far as a tape tells.']);
    const text = cornersText(found(5), said).join(' ');
    expect(text).toContain('A–C is longer than B–D by 9 mm');
    expect(text).toContain('The C–D end stands 5 mm over to the B–C side.');
    expect(text).toContain('move C 5 mm towards the D–A side; move D 5 mm towards the D–A side');
  });
  it('is nothing to move where the tapes do not fit each other', () => {
    const all = lengths(0);
    const odd = square({ sides: all.slice(0, 4), diagonals: [all[4]!, all[5]! + 40], sd: 1 });
    expect(cornersText(odd, said).join(' ')).toContain('one of them was misread');
  });
  it('leaves a corner alone that a tape cannot tell from right', () => {
    expect(moveText([0.4, -0.9], said)).toBeNull();
    expect(moveText([0, -3], said)).toBe('3 mm towards A–B');
  });
});

const round = (corners: CornersView[]): RoundView => ({
  ...{ id: 'r1', name: 'Before', stand: 'stands', finished: false, kept: [], keptSaid: false, by: 'Ines', version: 1 },
  ...{ at: '2026-02-03T18:00:00.000Z', figures: [], compared: [], sides: [], tilt: null, restood: null },
  tapes: corners.flatMap(({ name, lengths: read }) =>
    Object.entries(read).map(([to, length], i) => ({
      ...{ id: `t${i}`, kind: 'corners' as const, from: name, to, length, by: 'Ines', at: '', before: [] },
    })),
  ),
  corners,
});
const view = (corners: CornersView[]): HoldView => ({
  ...{ points: [], figures: [], out: [], proposals: [], braces: [], checked: false, gaps: [], mayMove: 3 },
  rounds: [round(corners)],
});
const at = '/vehicles/v1/hold';
const tapesAt = `POST ${at}/rounds/r1/tapes`;
let server: FakeServer;
beforeEach(() => {
  signIn('owner', 'in');
  server = new FakeServer()
    .on('GET /vehicles/v1', { id: 'v1', nickname: 'Finch', planId: 'saloon' })
    .on('GET /plans/saloon', bodyPlan('saloon'))
    .on(`GET ${at}`, view([]));
});

describe('an opening by its four corners', () => {
  it('is typed in the shop’s unit, kept tape by tape under its name, and answered in inches', async () => {
    const whole: CornersView = {
      name: 'Floor behind the seats',
      lengths: Object.fromEntries(CORNER_TAPES.map((tape, i) => [tape, lengths(5)[i]!])),
      found: found(5),
      trouble: null,
    };
    server.on(tapesAt, () => view([whole]));
    const { page } = await openPage(HoldPage, { id: 'v1' }, { at: '/?figure=corners&opening=' });
    await field(page, 'Which opening').setValue('Floor behind the seats');
    await field(page, 'A–B, inches').setValue('39 3/8');
    await field(page, 'A–C, inches').setValue('46');
    await button(page, 'Is it square?').trigger('submit');
    await flushPromises();
    const sent = server.to(tapesAt);
    expect(sent.map(({ from, to, kind }) => [from, to, kind])).toEqual([
      ['Floor behind the seats', 'ab', 'corners'],
      ['Floor behind the seats', 'ac', 'corners'],
    ]);
    expect(sent[0]!['length']).toBeCloseTo(39.375 * 25.4, 6);
    expect(page.text()).toContain('over to the B–C side');
    expect(page.text()).not.toMatch(/\bmm\b/);
  });
  it('says at its field what is no length, and asks for a name', async () => {
    const { page } = await openPage(HoldPage, { id: 'v1' }, { at: '/?figure=corners&opening=' });
    await field(page, 'A–B, inches').setValue('long');
    await button(page, 'Is it square?').trigger('submit');
    await flushPromises();
    expect(server.to(tapesAt)).toEqual([]);
    expect(page.text()).toContain('Name the opening');
    expect(page.text()).toContain('Type a length');
  });
  it('begins with what the Bench book was told of it', async () => {
    const { page } = await openPage(
      HoldPage,
      { id: 'v1' },
      { at: `/?figure=corners&opening=&ab=${encodeURIComponent('40"')}&bd=${encodeURIComponent('48 1/8"')}` },
    );
    expect((field(page, 'A–B, inches').element as HTMLInputElement).value).toBe('40"');
    expect((field(page, 'B–D, inches').element as HTMLInputElement).value).toBe('48 1/8"');
  });
});
