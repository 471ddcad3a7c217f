import type { Element } from './jointWork.ts';
import { PACES } from './paces.ts';

/** A weld that nobody sees is dressed roughly: this share of what a seen one takes. */
export const ROUGHLY = 0.4;

/**
 * What has to be done along a cut within the sheet: cut out, tack and stitch, dress.
 *
 * @param length of the cut, mm
 * @param how visible: welds are dressed fully
 * Source: common practice, no published source (T-08, T-09, T-12, T-34).
 * @example lineWork(500, { visible: true }).map(({ count, unit }) => `${count} ${unit}`) // → ["5 dm", "5 dm", "5 dm"]
 */
export function lineWork(length: number, { visible }: { visible: boolean }): [Element, Element, Element] {
  const count = length / 100;
  return [
    { name: 'Mark and cut out', count, unit: 'dm', minutes: PACES.cutDm, rule: 'T-12' },
    { name: 'Tack and stitch', count, unit: 'dm', minutes: PACES.buttDm, rule: 'T-08, T-09' },
    {
      name: visible ? 'Dress and planish' : 'Dress roughly',
      count: count * (visible ? 1 : ROUGHLY),
      unit: 'dm',
      minutes: PACES.dressDm,
      rule: 'T-34',
    },
  ];
}
