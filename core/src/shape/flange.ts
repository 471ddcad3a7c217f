import { finite } from '../check.ts';
import { refuse } from '../problem.ts';
import { wholeUp } from '../tolerances.ts';

export interface FlangeInput {
  /** Width of the flange, mm. */
  height: number;
  /** Radius of the curved fold line, mm. */
  edgeRadius: number;
  /** "shrink" where its free edge must get shorter (outside of a curve), "stretch" where it must get longer (rim of a hole). */
  side: 'shrink' | 'stretch';
  /** Wanted width of a tab along the fold, mm. */
  tabPitch: number;
  /** Degrees of the curve; a full circle when left out. */
  sweep?: number;
}

export interface Flange {
  /** Change of length of the free edge as a share of its flat length: negative shrinks, positive stretches. */
  strain: number;
  slits: number;
  /** Wedge to take out at each slit, at the free edge, mm; 0 where it stretches and slits open by themselves. */
  wedgeWidth: number;
  tabs: number;
  /** Width of one tab along the fold, mm. */
  tabWidth: number;
  /** How wide each slit stands open when folded, at the free edge, mm; 0 where it shrinks. */
  opening: number;
  /** Length along the fold, mm. */
  foldLength: number;
}

/**
 * How is a curved flange slit so that it can be folded square (T-24)? Flat, its free edge
 * lies at R + h (shrink) or R − h (stretch); folded, at R.
 *
 * @param height mm; edgeRadius mm; tabPitch mm; sweep degrees up to 360
 * @throws Problem naming the field
 * Source: plane geometry; tabs and wedges common practice (T-24), no published source.
 */
export function flange({ height, edgeRadius, side, tabPitch, sweep = 360 }: FlangeInput): Flange {
  finite('height', height, { above: 0, max: 1000, unit: 'mm' });
  finite('edgeRadius', edgeRadius, { above: 0, max: 100_000, unit: 'mm' });
  finite('tabPitch', tabPitch, { min: 1, max: 10_000, unit: 'mm' });
  finite('sweep', sweep, { above: 0, max: 360, unit: '°' });
  if (side !== 'shrink' && side !== 'stretch')
    refuse('unknown-side', 'side', 'side must be "shrink" (outside of a curve) or "stretch" (rim of a hole).');
  if (side === 'stretch' && height >= edgeRadius)
    refuse(
      'too-large',
      'height',
      'A flange that stretches cannot be as wide as the radius of its hole; make it narrower.',
    );
  const foldLength = (sweep * Math.PI * edgeRadius) / 180;
  const closed = sweep === 360;
  const tabs = Math.max(closed ? 3 : 1, wholeUp(foldLength / tabPitch));
  if (tabs > 10_000) refuse('too-many', 'tabPitch', `This makes ${tabs} tabs; take a wider pitch.`);
  const free = side === 'shrink' ? edgeRadius + height : edgeRadius - height;
  const tabWidth = foldLength / tabs;
  const change = (tabWidth * height) / edgeRadius;
  return {
    strain: (edgeRadius - free) / free,
    slits: closed ? tabs : tabs - 1,
    wedgeWidth: side === 'shrink' ? change : 0,
    tabs,
    tabWidth,
    opening: side === 'stretch' ? change : 0,
    foldLength,
  };
}
