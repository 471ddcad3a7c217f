import { finite } from '../check.ts';

/**
 * How much crown has this panel? From a chord and the height of the arc over it: the radius,
 * and by which share a dome of this crown has more area than the disc it stands on: what must be
 * stretched into a flat piece.
 *
 * @param chord mm; sagitta mm, up to half the chord
 * @returns radius mm; areaIncrease as a fraction
 * @throws Problem naming the field
 * Source: circle geometry; area of a spherical cap.
 */
export function crown({ chord, sagitta }: { chord: number; sagitta: number }): {
  radius: number;
  areaIncrease: number;
} {
  finite('chord', chord, { above: 0, max: 1e5, unit: 'mm' });
  finite('sagitta', sagitta, { above: 0, max: chord / 2, unit: 'mm' });
  const half = chord / 2;
  return { radius: (half * half + sagitta * sagitta) / (2 * sagitta), areaIncrease: (sagitta / half) ** 2 };
}
