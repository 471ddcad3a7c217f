import { between } from '../geometry/index.ts';
import { MATERIALS, type WeldMaterial } from './material.ts';
import { isHot, type HandProcess, type WeldPlan, type WeldStep, type WeldSupplies } from './planTypes.ts';

/** Metal of a stitch by its length, in t²: the gap of half a sheet, and what stands proud on both faces; common practice, no published source. */
const STITCH_METAL = 1.6;
/** Metal of a tack, in t³; common practice. */
const TACK_METAL = 6;
/** Metal of a plug by the volume of its hole: it stands proud; common practice. */
const PLUG_METAL = 1.3;
/** Share of the filler that ends up in the weld: spatter and clipped ends of wire, stubs of rod; common practice. */
const YIELD: Readonly<Record<HandProcess, number>> = { mig: 0.95, tig: 0.8, gas: 0.8 };
/** s of gas before and after each weld. */
const GAS_AROUND = 1.5;
/** mm of weld that one flap disc grinds level; common practice. */
const DISC_LASTS = 1500;

/**
 * How much wire or rod, gas and discs does a plan take? An estimate for the order book: a third more or less.
 *
 * @param plan its steps and settings
 * @param thickness of the sheet, mm
 * @param hole of a plug, mm
 * @returns filler in mm across, m and g; gas in litres; discs in pieces
 * Source: volume of the welds by plane geometry; shares are common practice, no published source.
 * @example weldSupplies({ plan: { steps: [], settings: { filler: 0.6, gasFlow: 10 } }, process: 'mig', thickness: 1, hole: 8 }).discs // → 0
 */
export function weldSupplies({
  plan: { steps, settings },
  process,
  thickness: t,
  hole,
  material = 'steel',
}: {
  plan: { steps: readonly WeldStep[]; settings: Pick<WeldPlan['settings'], 'filler' | 'gasFlow'> };
  process: HandProcess;
  thickness: number;
  hole: number;
  material?: WeldMaterial | undefined;
}): WeldSupplies {
  const hot = steps.filter((step) => isHot(step) && step.kind !== 'spot');
  const lengthOf = ({ from, to }: WeldStep) => (from && to ? between(from, to) : 0);
  const metal = hot.reduce((sum, step) => {
    if (step.kind === 'stitch') return sum + STITCH_METAL * t ** 2 * lengthOf(step);
    if (step.kind === 'plug') return sum + PLUG_METAL * (Math.PI / 4) * hole ** 2 * t;
    return sum + TACK_METAL * t ** 3;
  }, 0);
  const used = metal / YIELD[process];
  const ground = hot.reduce(
    (sum, step) => sum + (step.kind === 'stitch' ? lengthOf(step) : step.kind === 'plug' ? hole : 0),
    0,
  );
  return {
    filler:
      settings.filler === null || metal === 0
        ? null
        : {
            across: settings.filler,
            metres: used / ((Math.PI / 4) * settings.filler ** 2) / 1000,
            grams: (used * MATERIALS[material].density) / 1e6,
          },
    gas:
      settings.gasFlow === null || hot.length === 0
        ? null
        : (settings.gasFlow / 60) * hot.reduce((sum, { duration }) => sum + duration + 2 * GAS_AROUND, 0),
    discs: Math.ceil(ground / DISC_LASTS),
  };
}
