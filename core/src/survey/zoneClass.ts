import { inPolygon, type Polygon } from '../geometry/index.ts';
import { coatingClass, metalClass, surveyRules, weldableLimit, type SurveyRules } from './classes.ts';
import type { ZoneClass } from './panelState.ts';
import { metalOf, type Reading } from './reading.ts';
import { withoutFormerCoating } from './formerCoating.ts';
import { classOfSign, type SignId } from './signs.ts';

/**
 * What does the evidence inside a zone make of it? The worst of the readings and finds in it;
 * undefined where nothing was read or found inside, so that the person says it alone.
 *
 * @param polygon outer ring then holes, mm
 * @param asBuilt thickness as built, mm
 * @param readings of the zone's layer
 * @param finds of the panel
 * @param bareSince when the metal in it was seen, ms since 1970: coatings read before no longer count
 */
export function zoneClassFrom({
  polygon,
  asBuilt,
  readings,
  finds = [],
  bareSince,
  rules = surveyRules,
}: {
  polygon: Polygon;
  asBuilt: number;
  readings: readonly Reading[];
  finds?: readonly { sign: SignId; u: number; v: number }[];
  bareSince?: number | undefined;
  rules?: SurveyRules;
}): { class: ZoneClass; because: string } | undefined {
  const within = readings.filter(({ u, v }) => inPolygon([u, v], polygon));
  const inside =
    bareSince === undefined
      ? within
      : within.flatMap((reading) =>
          withoutFormerCoating([reading], [{ layer: reading.layer, polygon, since: bareSince }]),
        );
  const metals = inside.flatMap((reading) => {
    const metal = metalOf(reading);
    return metal === undefined ? [] : [metal];
  });
  const least = Math.min(...metals);
  if (metals.some((metal) => metalClass(metal, asBuilt, rules) === 'through'))
    return { class: 'through', because: 'a reading in it is a hole' };
  const found = finds.filter(({ u, v }) => inPolygon([u, v], polygon)).map(({ sign }) => classOfSign(sign));
  if (found.includes('through')) return { class: 'through', because: 'a find in it is a hole' };
  if (least < weldableLimit(asBuilt, rules))
    return { class: 'thin', because: `the least metal read in it is ${least.toFixed(2)} mm` };
  if (inside.some((reading) => reading.probe === 'soft')) return { class: 'thin', because: 'the probe found it soft' };
  const coatings = inside.flatMap((reading) => (reading.coatingUm === undefined ? [] : [reading.coatingUm]));
  if (coatings.some((um) => coatingClass(um, rules) === 'filler'))
    return { class: 'filler', because: `the coating in it is ${Math.max(...coatings).toFixed(0)} µm` };
  const sign = found.find((name) => name !== undefined);
  if (sign) return { class: sign, because: 'a find in it says so' };
  if (metals.some((metal) => metalClass(metal, asBuilt, rules) !== 'sound'))
    return { class: 'pitted', because: `the least metal read in it is ${least.toFixed(2)} mm` };
  return undefined;
}
