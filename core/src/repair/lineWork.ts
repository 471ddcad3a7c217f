import type { Closing, Element } from './joint.ts';
import type { Metalwork } from './metalwork.ts';
import { PACES, ROUGHLY } from './paces.ts';

/**
 * What has to be done along a cut within the sheet: cut out, join, dress.
 *
 * @param length of the cut, mm
 * @param how visible: welds are dressed fully; closing: butt where it is left out; finish: by filler where it is left out; welds: plugs of a joggled edge; unseen: mm of it under trim
 * Source: common practice, no published source (T-08, T-09, T-10, T-12, T-34, T-40).
 * @example lineWork(500, { visible: true }).map(({ count, unit }) => `${count} ${unit}`) // → ["5 dm", "5 dm", "5 dm"]
 */
export function lineWork(
  length: number,
  {
    visible,
    closing = 'butt',
    welds = 0,
    unseen = 0,
    finish = 'filler',
  }: { visible: boolean; closing?: Closing; welds?: number; unseen?: number | undefined; finish?: Metalwork['finish'] },
): Element[] {
  const count = length / 100;
  const rough = visible ? Math.min(count, unseen / 100) : count;
  // What nobody dresses is not told as nothing.
  const none = visible ? ['Dress roughly'] : ['Dress and planish', 'Metal-finish'];
  return [
    { name: 'Mark and cut out', count, unit: 'dm', minutes: PACES.cutDm, rule: 'T-12' },
    ...joining(count, closing, welds),
    ...dressing(count - rough, finish),
    { name: 'Dress roughly', count: rough * ROUGHLY, unit: 'dm', minutes: PACES.dressDm, rule: 'T-34' },
  ].filter((element) => element.count > 0 || !none.includes(element.name));
}

/** Where it is seen: level enough for filler, or until none is needed. */
const dressing = (count: number, finish: Metalwork['finish']): Element[] =>
  finish === 'metal'
    ? [{ name: 'Metal-finish', count, unit: 'dm', minutes: PACES.metalFinishDm, rule: 'T-34' }]
    : [{ name: 'Dress and planish', count, unit: 'dm', minutes: PACES.dressDm, rule: 'T-34' }];

function joining(count: number, closing: Closing, welds: number): Element[] {
  const seal: Element = { name: 'Seal the overlap', count, unit: 'dm', minutes: PACES.sealDm, rule: 'T-40' };
  if (closing === 'lap')
    return [{ name: 'Tack and stitch the lap', count, unit: 'dm', minutes: PACES.lapDm, rule: 'T-08, T-09' }, seal];
  if (closing === 'joggle')
    return [
      { name: 'Set the edge down', count, unit: 'dm', minutes: PACES.joggleDm, rule: 'T-40' },
      { name: 'Plug or spot weld', count: welds, unit: 'welds', minutes: PACES.plug, rule: 'T-10' },
      seal,
    ];
  return [{ name: 'Tack and stitch', count, unit: 'dm', minutes: PACES.buttDm, rule: 'T-08, T-09' }];
}
