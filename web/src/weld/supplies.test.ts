import { flushPromises } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import WeldSupplies from './WeldSupplies.vue';

const supplies = { filler: { across: 0.6, metres: 12.4, grams: 27.5 }, gas: 56.6, discs: 1 };
const told = async (over: object, rod = false) => {
  const { page } = await openPage(WeldSupplies, {
    ...{ vehicle: 'v', note: 'For the welds on Sill, left', rod },
    supplies: { ...supplies, ...over },
  });
  return page;
};
const sentence = async (over: object, rod?: boolean) => (await told(over, rod)).get('p').text();

describe('what the welds take', () => {
  it('is told in metres, grams and litres, or in feet, ounces and cubic feet', async () => {
    signIn('owner');
    expect(await sentence({})).toBe(
      'It takes about 12 m of 0.60 mm wire (28 g), 57 l of gas, 1 flap disc; a third more or less.',
    );
    signIn('owner', 'in');
    expect(await sentence({ discs: 2 }, true)).toBe(
      'It takes about 41 ft of 0.024" rod (0.97 oz), 2.0 cu ft of gas, 2 flap discs; a third more or less.',
    );
  });

  it('says nothing where nothing is melted', async () => {
    signIn('owner');
    expect((await told({ filler: null, gas: null, discs: 0 })).text()).toBe('');
  });

  it('goes into the order book where it is short, with its maker and price', async () => {
    signIn('worker');
    const server = new FakeServer().on('POST /orders', () => ({}));
    const page = await told({ discs: 3 });
    await page.get('[aria-label="Flap disc into the order book"]').trigger('click');
    await field(page, 'From whom').setValue('Corner Tools');
    await field(page, 'Price of one, before tax').setValue('2,40');
    await button(page, 'Want 3').trigger('submit');
    await flushPromises();
    expect(server.to('POST /orders')[0]).toMatchObject({
      ...{ vehicleId: 'v', panel: '', item: 'Flap disc', quantity: 3, price: 240, maker: 'Corner Tools' },
      note: 'For the welds on Sill, left',
    });
    expect(page.text()).toContain('In the order book');
  });

  it('is only looked at by who does not work here', async () => {
    signIn('viewer');
    expect((await told({})).find('button').exists()).toBe(false);
  });
});
