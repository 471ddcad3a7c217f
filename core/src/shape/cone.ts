import { finite } from '../check.ts';
import { refuse } from '../problem.ts';

export interface ConeInput {
  /** Radius at one end, mm. */
  bottomRadius: number;
  /** Radius at the other end, mm; 0 is a full cone. */
  topRadius: number;
  /** Along the axis, mm. */
  height: number;
  /** Degrees of the turn around the axis; 360 is the whole cone. */
  sweep: number;
}

export interface DevelopedCone {
  innerRadius: number;
  outerRadius: number;
  /** Of the flat pattern, degrees. */
  angle: number;
  /** Straight across the outer arc, mm. */
  outerChord: number;
  innerChord: number;
  /** mm² */
  area: number;
  /** Along the surface, mm. */
  slantHeight: number;
}

/**
 * What flat piece rolls into this cone or part of it?
 *
 * @param bottomRadius,topRadius mm, different; height mm; sweep degrees, 0 to 360
 * @throws Problem `cylinder` where both radii are equal: that opens to a rectangle
 * Source: development of a right circular cone (plane geometry).
 */
export function cone({ bottomRadius, topRadius, height, sweep }: ConeInput): DevelopedCone {
  finite('bottomRadius', bottomRadius, { min: 0, max: 1e5, unit: 'mm' });
  finite('topRadius', topRadius, { min: 0, max: 1e5, unit: 'mm' });
  finite('height', height, { min: 0, max: 1e5, unit: 'mm' });
  finite('sweep', sweep, { above: 0, max: 360, unit: '°' });
  const difference = Math.abs(bottomRadius - topRadius);
  if (difference < 1e-6 * Math.max(1, bottomRadius))
    refuse(
      'cylinder',
      'topRadius',
      `Equal radii make a cylinder: it opens to a rectangle of ${((sweep * Math.PI * bottomRadius) / 180).toFixed(1)} × ${height} mm.`,
    );
  const slantHeight = Math.hypot(height, difference);
  const [small, large] = [Math.min(bottomRadius, topRadius), Math.max(bottomRadius, topRadius)];
  const outerRadius = (slantHeight * large) / difference;
  const innerRadius = (slantHeight * small) / difference;
  const turn = ((sweep * Math.PI) / 180) * (difference / slantHeight);
  return {
    innerRadius,
    outerRadius,
    angle: (turn * 180) / Math.PI,
    outerChord: 2 * outerRadius * Math.sin(turn / 2),
    innerChord: 2 * innerRadius * Math.sin(turn / 2),
    area: (turn / 2) * (outerRadius ** 2 - innerRadius ** 2),
    slantHeight,
  };
}
