import { beforeEach, describe, expect, it } from 'vitest';
import { cautionsFor } from '@aspecta/core/safety';
import { openPage, signIn } from '../testing/fakeServer.ts';
import CautionList from './CautionList.vue';
import { useSession } from './session.ts';

beforeEach(() => {
  signIn('worker');
  useSession().current!.shop.localRules = { weld: 'The fire chief wants two people.', cut: '' };
});
const told = async (step: 'weld' | 'cut') =>
  (await openPage(CautionList, { step })).page.findAll('li').map((one) => one.text());

describe('cautions at a step', () => {
  it('begin with what the place asks for there, as the shop has written it down', async () => {
    const weld = await told('weld');
    expect(weld[0]).toBe('Here. The fire chief wants two people.');
    expect(weld).toHaveLength(cautionsFor('weld').length + 1);
  });
  it('are the usual ones where nothing was written down', async () => {
    expect(await told('cut')).toHaveLength(cautionsFor('cut').length);
  });
});
