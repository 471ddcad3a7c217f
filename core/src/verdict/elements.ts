import {
  COATED_FACES,
  jointWork,
  LAP_PITCH,
  lineWork,
  PACES,
  ROUGHLY,
  SHAPE_PACES,
  shaping,
  STRIPPED_AROUND,
  together,
  usualMetalwork,
  type Element,
  type JointFacts,
} from '../repair/index.ts';
import { cleaned, leftWork, sealedLow } from './bySchool.ts';
import type { Repair } from './repair.ts';

export type { Element } from '../repair/index.ts';

/** treat and keep; patch; part of a repair panel; whole panel; make the panel; new sheet over treated metal, where the house allows it; an opening that is made. */
export type OptionId = 'treat' | 'patch' | 'part' | 'whole' | 'make' | 'overlay' | 'open';

/** A piece is cut out of the panel and one welded in. */
export const isLetIn = (choice: OptionId): boolean => choice === 'patch' || choice === 'part';
/** A line is cut in the panel itself. */
export const isCutIn = (choice: OptionId): boolean => isLetIn(choice) || choice === 'open';
/** The panel stays in the car: nothing of its edge is opened. */
export const keepsPanel = (choice: OptionId): boolean => ['treat', 'overlay', 'open'].includes(choice);
/** Is the piece made by hand from sheet? */
export const isMade = (choice: OptionId): boolean => choice === 'patch' || choice === 'make';
/** A panel has to be bought. */
export const isBought = (choice: OptionId): boolean => choice === 'part' || choice === 'whole';

/** Work that goes as well or as badly in every option in which it occurs: one stream of chance for each. */
export const kindOfWork = ({ name, minutes }: Element): string =>
  Object.entries(PACES).find(([, known]) => known === minutes)?.[0] ?? name;

/** Never more is stripped than the panel has. */
const stripped = (area: number, { panel, layers = 1 }: Repair) => Math.min(area * STRIPPED_AROUND, panel.area * layers);

/** Trial fits of a patch and of a large panel (T-30). */
const PATCH_FITS = 4;
const PANEL_FITS = 5;
const dm = (mm: number) => mm / 100;
const dm2 = (mm2: number) => mm2 / 10_000;

/** Which pieces of work does an option count up to? Every count follows from lengths, areas and welds of this repair. */
export function elementsOf(option: OptionId, repair: Repair): Element[] {
  switch (option) {
    case 'treat':
      return treatElements(repair);
    case 'patch':
      return patchElements(repair);
    case 'part':
      return partElements(repair);
    case 'whole':
      return wholeElements(repair);
    case 'make':
      return makeElements(repair);
    case 'overlay':
      return overlayElements(repair);
    case 'open':
      return openElements(repair);
  }
}

/** Damaged area, mm²: that of the zones, and never more than the layers have on which they lie. */
export const damagedArea = ({ zones, panel, layers = 1, left = 0 }: Repair) =>
  Math.min(
    zones.reduce((sum, zone) => sum + zone.area, left),
    panel.area * layers,
  );

function treatElements(repair: Repair): Element[] {
  const area = dm2(stripped(damagedArea(repair), repair));
  const dented = dm2(repair.zones.reduce((sum, zone) => sum + (zone.class === 'dent' ? zone.area : 0), 0));
  return [
    ...(dented > 0
      ? [{ name: 'Raise and planish', count: dented, unit: 'dm²', minutes: PACES.planishDm2, rule: 'T-34' } as const]
      : []),
    ...cleaned(area, repair),
    ...(repair.panel.visible
      ? [
          {
            name: 'Fill pits and block',
            count: dm2(damagedArea(repair)),
            unit: 'dm²',
            minutes: PACES.fillDm2,
            rule: 'T-17',
          } as const,
        ]
      : []),
  ];
}

/** Edges of the panel that a patch takes in, beside what is cut within the sheet. */
const edgesOf = ({ zones }: Repair): JointFacts[] => zones.flatMap((zone) => zone.joints ?? []);

function patchElements(repair: Repair): Element[] {
  const { panel, zones } = repair;
  const { finish } = repair.metalwork ?? usualMetalwork;
  const weld = zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0);
  const area = zones.reduce((sum, zone) => sum + zone.patchArea, 0);
  const [cutOut, ...joinAndDress] = lineWork(weld, {
    visible: panel.visible,
    closing: repair.closing ?? 'butt',
    welds: weld / LAP_PITCH,
    unseen: zones.reduce((sum, zone) => sum + (zone.patchUnseen ?? 0), 0),
    finish,
  });
  return together([
    {
      name: 'Strip around the damage',
      count: dm2(stripped(area, repair)),
      unit: 'dm²',
      minutes: PACES.stripDm2,
      rule: 'T-21',
    },
    cutOut!,
    { name: 'Template', count: zones.length, unit: 'patches', minutes: PACES.template, rule: 'T-03' },
    shaping(
      zones.map(({ patchArea }) => dm2(patchArea)),
      panel.curvature,
    ),
    ...coverWork(zones),
    { name: 'Trial fits', count: zones.length * PATCH_FITS, unit: 'fits', minutes: PACES.trialFit, rule: 'T-30' },
    ...joinAndDress,
    ...jointWork(edgesOf(repair), { visible: panel.visible, made: true, finish }),
    ...sealedLow(repair, 'patch'),
    ...leftWork(repair),
    {
      name: 'Coat inside and out',
      count: dm2(area) * COATED_FACES,
      unit: 'dm²',
      minutes: PACES.coatDm2,
      rule: 'T-19',
    },
  ]);
}

/** The sides of a raised cover: turned along its rim, all round. */
function coverWork(zones: Repair['zones']): Element[] {
  const rim = zones.reduce((sum, zone) => sum + (zone.class === 'clearance' ? zone.patchPerimeter : 0), 0);
  return rim > 0
    ? [{ name: 'Turn the sides of the cover', count: dm(rim), unit: 'dm', minutes: PACES.flangeDm, rule: 'T-24' }]
    : [];
}

/** Cut from a bought panel: nothing to shape, but to trim and to blend into the old one (T-28, T-32). */
function partElements(repair: Repair): Element[] {
  const weld = dm(repair.zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0));
  // Its own edges come with the pressing.
  const asBought = { ...repair, zones: repair.zones.map(({ joints: _joints, ...zone }) => zone) };
  const made = patchElements(asBought).filter(
    ({ name }) => name !== 'Template' && !name.startsWith('Shape') && name !== 'Turn the sides of the cover',
  );
  return [
    ...made,
    ...jointWork(edgesOf(repair), {
      visible: repair.panel.visible,
      made: false,
      finish: (repair.metalwork ?? usualMetalwork).finish,
    }),
    { name: 'Cut the part from the repair panel', count: weld, unit: 'dm', minutes: PACES.cutDm, rule: 'T-28' },
    { name: 'Blend its edges and flanges', count: weld, unit: 'dm', minutes: PACES.flangeDm, rule: 'T-32' },
  ];
}

/** dm² of one piece of a panel that is made by hand, and mm of seam that each further piece adds. */
const MADE_PIECE = 12;
const MADE_SEAM = 300;

function makeElements(repair: Repair): Element[] {
  const { panel } = repair;
  const pieces = Math.max(1, Math.ceil(dm2(panel.area) / MADE_PIECE));
  const seams = dm((pieces - 1) * MADE_SEAM);
  return [
    { name: 'Templates and forms', count: pieces * 2, unit: 'pieces', minutes: PACES.template, rule: 'T-03' },
    {
      name: `Shape the pieces (${panel.curvature} curvature)`,
      count: dm2(panel.area) / 3,
      unit: 'pieces of 3 dm²',
      minutes: SHAPE_PACES[panel.curvature],
      rule: 'T-27',
    },
    ...(panel.joints
      ? jointWork(panel.joints, { visible: panel.visible, made: true }).filter(({ name }) => name.startsWith('Turn'))
      : [{ name: 'Turn flanges', count: dm(panel.jointLength), unit: 'dm', minutes: PACES.flangeDm, rule: 'T-24' }]),
    { name: 'Join the pieces', count: seams, unit: 'dm', minutes: PACES.buttDm, rule: 'T-08, T-09' },
    {
      name: 'Planish the seams',
      count: seams * (panel.visible ? 2 : 1),
      unit: 'dm',
      minutes: PACES.dressDm,
      rule: 'T-34',
    },
    ...wholeElements(repair),
  ];
}

/** mm. So wide a strip along the edge of an opening is coated. */
export const OPENING_EDGE = 30;

/** Cut out along its rim, the edge turned so that the sheet stays stiff, dressed and coated. */
function openElements({ zones, panel }: Repair): Element[] {
  const rim = zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0);
  const bare = panel.visible ? 1 : ROUGHLY;
  return [
    { name: 'Mark and cut out', count: dm(rim), unit: 'dm', minutes: PACES.cutDm, rule: 'T-12' },
    { name: 'Turn the edge of the opening', count: dm(rim), unit: 'dm', minutes: PACES.lipDm, rule: 'T-24' },
    { name: 'Dress the edge', count: dm(rim) * bare, unit: 'dm', minutes: PACES.dressDm, rule: 'T-34' },
    {
      name: 'Coat the edge',
      count: dm2(rim * OPENING_EDGE) * COATED_FACES,
      unit: 'dm²',
      minutes: PACES.coatDm2,
      rule: 'T-19',
    },
  ];
}

/** mm. Plugs along the edge of a sheet that is laid over (T-10). */
const OVERLAY_PITCH = 38;

function overlayElements(repair: Repair): Element[] {
  const area = repair.zones.reduce((sum, zone) => sum + zone.patchArea, 0);
  const edge = repair.zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0);
  return [
    ...treatElements(repair).filter(({ name }) => !name.startsWith('Fill')),
    { name: 'Template', count: repair.zones.length, unit: 'sheets', minutes: PACES.template, rule: 'T-03' },
    {
      name: 'Shape the sheet',
      count: Math.max(repair.zones.length, dm2(area) / 6),
      unit: 'pieces of 6 dm²',
      minutes: PACES.shapeFlat,
      rule: 'T-27',
    },
    { name: 'Trial fits', count: repair.zones.length * 2, unit: 'fits', minutes: PACES.trialFit, rule: 'T-30' },
    { name: 'Plug weld the edge', count: edge / OVERLAY_PITCH, unit: 'welds', minutes: PACES.plug, rule: 'T-10' },
    { name: 'Seal and coat', count: dm2(area) * COATED_FACES, unit: 'dm²', minutes: PACES.coatDm2, rule: 'T-19' },
  ];
}

function wholeElements(repair: Repair): Element[] {
  const { panel } = repair;
  const { finish } = repair.metalwork ?? usualMetalwork;
  const common: Element[] = [
    { name: 'Fit, adjust, fit again', count: PANEL_FITS, unit: 'fits', minutes: PACES.adjust, rule: 'T-30' },
    {
      name: 'Coat inside and out',
      count: dm2(panel.area) * COATED_FACES,
      unit: 'dm²',
      minutes: PACES.coatDm2,
      rule: 'T-19',
    },
  ];
  if (panel.joints) {
    const [fits, coats] = common as [Element, Element];
    const joined = jointWork(panel.joints, { visible: panel.visible, made: false, finish });
    return [fits, ...joined, ...sealedLow(repair, 'whole'), coats];
  }
  if (panel.bolted)
    return [{ name: 'Unbolt and bolt up', count: 2, unit: 'times', minutes: PACES.unbolt, rule: 'T-27' }, ...common];
  return [
    { name: 'Drill out spot welds', count: panel.spotWelds, unit: 'spots', minutes: PACES.drillSpot, rule: 'T-22' },
    {
      name: 'Clean and straighten flanges',
      count: dm(panel.jointLength),
      unit: 'dm',
      minutes: PACES.flangeDm,
      rule: 'T-32',
    },
    ...common,
    { name: 'Plug or spot weld', count: panel.spotWelds, unit: 'welds', minutes: PACES.plug, rule: 'T-10' },
    {
      name: 'Dress welds',
      count: dm(panel.jointLength) * (panel.visible ? 1 : 0.4),
      unit: 'dm',
      minutes: PACES.dressDm,
      rule: 'T-34',
    },
  ];
}
