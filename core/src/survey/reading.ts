import { finite } from '../check.ts';
import { inPolygon, toRing, type Point, type Ring } from '../geometry/index.ts';
import { layerOf, panelOf, sheetOf, type BodyPlan, type Panel } from '../body/index.ts';
import { refuse } from '../problem.ts';

export type ProbeVerdict = 'sound' | 'soft' | 'through';

/** One place, measured: at least one of coating, metal and probe. */
export interface Reading {
  panel: string;
  layer: string;
  /** Panel coordinates, mm. */
  u: number;
  v: number;
  /** Coating over the metal, µm. */
  coatingUm?: number | undefined;
  /** True where the coating gauge was over range: the value is “more than”. */
  coatingOver?: boolean | undefined;
  /** Metal left, mm; 0 is a hole. */
  metalMm?: number | undefined;
  /** True where the thickness gauge was under its range: the value is “less than”. */
  metalUnder?: boolean | undefined;
  probe?: ProbeVerdict | undefined;
  note?: string | undefined;
  /** When it was read, ms since 1970. */
  readAt?: number | undefined;
}

/** mm. A place this little outside the outline is on the edge: nobody holds a gauge more exactly. */
const EDGE_SLACK = 5;
/** µm. Thicker than any coating or filler that a gauge reads: a slip of the unit. */
const THICKEST_COATING_UM = 20_000;
/** mm. A doubler, a second sheet or a leg welded on adds so much; more is a slip of the unit. */
const DOUBLED = 4;
const thickestAt = (asBuilt: number) => Math.max(2.5 * asBuilt, Math.round((asBuilt + DOUBLED) * 10) / 10);
export const LONGEST_NOTE = 500;

/**
 * Is this reading possible on this body? Returns it with the place moved onto the sheet
 * where it lay within 5 mm of the edge.
 *
 * @throws Problem naming the field and how to mend it
 */
export function checkReading(plan: BodyPlan, reading: Reading): Reading {
  const panel = panelOf(plan, reading.panel);
  const layer = layerOf(panel, reading.layer);
  const place: Point = [finite('u', reading.u, { unit: 'mm' }), finite('v', reading.v, { unit: 'mm' })];
  const sheet = sheetOf(panel);
  const onEdge = sheet.some((ring) => toRing(place, ring) <= EDGE_SLACK);
  if (!inPolygon(place, sheet) && !onEdge) {
    refuse(
      'outside-panel',
      'u',
      `The place ${place[0]} mm from the left, ${place[1]} mm up lies outside ${panel.name}; measure from its left end and from its lower edge.`,
    );
  }
  if (reading.coatingUm !== undefined && layer.material === 'aluminium')
    refuse(
      'wrong-material',
      'coatingUm',
      `${layer.name} of ${panel.name} is aluminium: a magnetic coating gauge says nothing there. Use an eddy-current gauge elsewhere, or enter metal or probe only.`,
    );
  if (reading.coatingUm !== undefined)
    finite('coatingUm', reading.coatingUm, { min: 0, max: THICKEST_COATING_UM, unit: 'µm' });
  if (reading.metalMm !== undefined)
    finite('metalMm', reading.metalMm, { min: 0, max: thickestAt(layer.thickness), unit: 'mm' });
  if (reading.coatingUm === undefined && reading.metalMm === undefined && reading.probe === undefined) {
    refuse('empty-reading', 'metalMm', 'Enter the coating in µm, the metal in mm or what the probe said.');
  }
  if ((reading.note ?? '').length > LONGEST_NOTE)
    refuse('too-long', 'note', `The note has ${reading.note!.length} characters; shorten it to ${LONGEST_NOTE}.`);
  return reading;
}

/** Why a reading on the sheet tells nothing of the single steel sheet there; undefined where it does. */
export function unfitFor(panel: Panel, reading: Pick<Reading, 'u' | 'v'>): 'lead' | 'double sheet' | undefined {
  const within = (areas: readonly { outline: Ring }[] | undefined) =>
    (areas ?? []).some((area) => inPolygon([reading.u, reading.v], [area.outline]));
  if (within(panel.leaded)) return 'lead';
  return within(panel.flanges) ? 'double sheet' : undefined;
}

/** Metal for the map: what the gauge read, zero where the probe went through; undefined where nothing says how thick. */
export function metalOf(reading: Pick<Reading, 'metalMm' | 'probe'>): number | undefined {
  return reading.probe === 'through' ? 0 : reading.metalMm;
}
