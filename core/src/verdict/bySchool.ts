import { PACES, STRIPPED_AROUND, usualMetalwork, type Element } from '../repair/index.ts';
import type { Repair } from './repair.ts';

/* Work of which how much there is follows from the schools of the shop. */

const dm = (mm: number) => mm / 100;
const dm2 = (mm2: number) => mm2 / 10_000;

/** Stripped, and freed of rust as the shop does it. dm². */
export function cleaned(area: number, { panel, zones, left = 0, metalwork = usualMetalwork }: Repair): Element[] {
  const strip: Element = {
    name: 'Strip to clean metal',
    count: area,
    unit: 'dm²',
    minutes: PACES.stripDm2,
    rule: 'T-21',
  };
  const treat = (name: string, minutes: Element['minutes'] = PACES.treatDm2): Element[] => [
    strip,
    { name, count: area, unit: 'dm²', minutes, rule: 'T-19' },
  ];
  if (left === 0 && zones.every((zone) => zone.class === 'dent')) return treat('Clean and prime');
  if (panel.material === 'aluminium') return treat('Take off white corrosion, etch and prime');
  switch (metalwork.rust) {
    case 'neutralise':
      return treat('Convert, neutralise and prime');
    case 'convert':
      return treat('Convert and prime over it', PACES.convertDm2);
    case 'blast':
      // Paint comes off with it.
      return [
        { name: 'Make ready for blasting', count: 1, unit: 'time', minutes: PACES.blastSetUp, rule: 'T-21' },
        { name: 'Blast to white metal and prime', count: area, unit: 'dm²', minutes: PACES.blastDm2, rule: 'T-21' },
      ];
  }
}

/** Rust beside the patch that stays, and is treated (how far is cut). */
export const leftWork = (repair: Repair): Element[] =>
  repair.left ? cleaned(dm2(repair.left) * STRIPPED_AROUND, repair) : [];

/** Where the shop shuts the lowest edge of a hollow too: it is sealed from end to end. */
export function sealedLow({ lowEdge, metalwork = usualMetalwork }: Repair, piece: 'patch' | 'whole'): Element[] {
  const length = metalwork.lowEdge === 'shut' ? (lowEdge?.[piece] ?? 0) : 0;
  return length > 0
    ? [{ name: 'Seal the low edge', count: dm(length), unit: 'dm', minutes: PACES.sealDm, rule: 'T-44' }]
    : [];
}
