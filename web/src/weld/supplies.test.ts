import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import { signIn } from '../testing/fakeServer.ts';
import WeldSupplies from './WeldSupplies.vue';

const supplies = { filler: { across: 0.6, metres: 12.4, grams: 27.5 }, gas: 56.6, discs: 1 };

describe('what the welds take', () => {
  it('is told in metres, grams and litres, or in feet, ounces and cubic feet', () => {
    signIn('owner');
    expect(mount(WeldSupplies, { props: { supplies, rod: false } }).text()).toBe(
      'It takes about 12 m of 0.60 mm wire (28 g), 57 l of gas, 1 flap disc; a third more or less.',
    );
    signIn('owner', 'in');
    const inches = mount(WeldSupplies, { props: { supplies: { ...supplies, discs: 2 }, rod: true } }).text();
    expect(inches).toBe(
      'It takes about 41 ft of 0.024" rod (0.97 oz), 2.0 cu ft of gas, 2 flap discs; a third more or less.',
    );
  });

  it('says nothing where nothing is melted', () => {
    signIn('owner');
    expect(mount(WeldSupplies, { props: { supplies: { filler: null, gas: null, discs: 0 }, rod: false } }).text()).toBe(
      '',
    );
  });
});
