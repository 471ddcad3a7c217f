import { damagedArea, type OptionId } from './elements.ts';
import { isWork, type ZoneClass } from '../survey/index.ts';
import type { Repair } from './repair.ts';

/** Share of a panel above which patches are usually regretted; common practice, no published source. */
const CHAIN_OF_PATCHES = 0.25;

/** Share of a panel from which a patch is the whole panel; common practice, no published source. */
export const NEARLY_ALL = 0.85;
/** How much of the panel the patches take in. */
export const patchShare = ({ zones, panel, layers = 1 }: Repair) =>
  zones.reduce((sum, zone) => sum + zone.patchArea, 0) / (panel.area * layers);

/** Why an option cannot be done on this damage; null where it can. */
export function ruledOut(option: OptionId, repair: Repair, nearMount: boolean): string | null {
  const classes = new Set(repair.zones.map((zone) => zone.class));
  if (option === 'treat') {
    if (classes.has('missing')) return 'Where metal is missing there is nothing to treat; it is let in anew.';
    if (classes.has('hole')) return 'A hole is closed with metal, not with a coat.';
    if (classes.has('graft')) return 'What is grafted in is cut in and welded; nothing is treated.';
    if (classes.has('clearance')) return 'Clearance is gained by a cover that is let in; nothing is treated.';
    if (classes.has('through')) return 'Metal that is through cannot be treated; it must be cut out.';
    if (classes.has('old-repair')) return 'An earlier repair is removed whole: rust is sandwiched under it.';
    if (classes.has('thin') && (repair.panel.structural || nearMount))
      return 'Thin metal in load-bearing structure must be replaced by metal of equal thickness.';
    if (classes.has('filler') && (repair.panel.structural || nearMount))
      return 'Filler in structure or at a mount is a defect, whatever its thickness.';
  }
  // What is grafted in comes from a donor that is at hand.
  const atHand = option === 'part' && repair.zones.every((zone) => zone.class === 'graft');
  if ((option === 'whole' || option === 'part') && !repair.offer && !atHand)
    return 'No price is known for this panel; enter one, or plan to make it.';
  if ((option === 'part' || option === 'whole') && classes.has('clearance'))
    return 'No panel that is sold has this clearance; the cover is made.';
  if ((option === 'patch' || option === 'part') && patchShare(repair) >= NEARLY_ALL)
    return `The line takes in ${Math.round(patchShare(repair) * 100)} % of the panel: that is the whole panel, and it is weighed as one.`;
  if (option === 'overlay') {
    if (
      ['through', 'old-repair', 'missing', 'hole', 'graft', 'clearance'].some((name) => classes.has(name as ZoneClass))
    )
      return 'A sheet is laid over treated sound metal only; what is through or an earlier repair must come out.';
    if (repair.panel.structural || nearMount)
      return 'In load-bearing structure overlap on rust does not count: cut it out.';
    if (repair.panel.visible) return 'A lap on a visible surface shows and holds water.';
  }
  return null;
}

/** What speaks for and against an option here, in plain words. */
export function reasonsFor(option: OptionId, repair: Repair): { for: string[]; against: string[] } {
  const { panel, zones, offer } = repair;
  const share = damagedArea(repair) / (panel.area * (repair.layers ?? 1));
  const percent = `${(share * 100).toFixed(share < 0.1 ? 1 : 0)} %`;
  const weld = zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0);
  const yes: string[] = [];
  const no: string[] = [];
  const aluminium = panel.material === 'aluminium';
  const dented = zones.some((zone) => zone.class === 'dent');
  /** Nothing of it is rust: holes, openings, dents. */
  const onlyWork = zones.every((zone) => isWork(zone.class));
  /** What has become of the metal in the zones. */
  const state = onlyWork ? (dented ? 'out of shape' : 'concerned') : 'gone';
  if (aluminium && option !== 'treat') {
    no.push('Aluminium: TIG on AC with pure argon and its own brush, no steel dust.');
    no.push(
      'Never joined to the steel behind it by fusion: rivets or bolts as it was built, and the two kept apart from each other.',
    );
    if (option === 'patch' || option === 'make')
      no.push('Its sheet is reckoned at the price of steel: ask what it costs.');
  }
  if (option === 'treat') {
    yes.push('Keeps all the original metal, and no heat goes into the panel.');
    if (dented) no.push('Metal that was stretched stands proud when it is back up, and has to be shrunk.');
    if (!onlyWork)
      no.push(
        aluminium
          ? 'White corrosion that is left behind goes on under paint, most where it touches steel: look again every year.'
          : 'Rust that is left behind may come back: look again every year.',
      );
    if (zones.some((zone) => zone.class === 'thin' || zone.class === 'pitted'))
      no.push('The metal stays thin: nothing can be welded to it later.');
  }
  if (option === 'patch') {
    if (share < CHAIN_OF_PATCHES)
      yes.push(`Only ${percent} of ${panel.name} is ${onlyWork ? state : 'damaged'}; the rest stays original.`);
    else if (share < 0.9) yes.push(`${Math.round((1 - share) * 100)} % of ${panel.name} stays original.`);
    if (!panel.visible) yes.push('The welds are hidden: rough dressing is enough.');
    if (zones.length > 3) no.push(`${zones.length} separate patches: a chain of patches costs more than it seems.`);
    if (share > CHAIN_OF_PATCHES) no.push(`${percent} is ${state}; beyond a quarter, patches are usually regretted.`);
    if (panel.visible && panel.curvature !== 'double')
      no.push(`${Math.round(weld)} mm of weld in a soft, visible surface can warp it.`);
    if (panel.curvature === 'double') no.push('Double curvature: each patch has to be shaped, not only folded.');
    if (!onlyWork) no.push('What shows is never all of it: expect the patch to grow after the cut.');
  }
  if (option === 'open') {
    yes.push('Everything of it is known beforehand: no damage is hidden.');
    no.push('It weakens the sheet: turn its edge, round its corners, and keep it clear of creases, seams and mounts.');
    if (panel.structural) no.push('This panel carries load: ask a qualified person before anything is cut out of it.');
  }
  if (zones.some((zone) => zone.class === 'clearance') && option === 'patch') {
    yes.push('Made to the figures of what has to pass: its width, and its height with the clearance above.');
    no.push('A cover stands proud: check what is above it, seats, carpet, pedals, before it is cut.');
    if (panel.structural) no.push('This panel carries load: ask a qualified person before anything is cut out of it.');
  }
  if (option === 'part' && zones.every((zone) => zone.class === 'graft'))
    yes.push('The donor piece is at hand: measure its metal too before it is welded in.');
  if (option === 'part') {
    yes.push('The pressing brings the shape: nothing has to be formed.');
    yes.push('Nine times in ten a repair panel is larger than what has to be replaced: the rest stays original.');
    if (offer && offer.leadDays > 7) no.push(`${offer.leadDays} days of delivery before it can begin.`);
    no.push('Its edges never meet the old panel as they come: plan blending.');
    if (panel.visible && panel.curvature !== 'double')
      no.push(`${Math.round(weld)} mm of weld in a visible surface can warp it.`);
  }
  if ((option === 'patch' || option === 'part') && repair.left) {
    yes.push('Pitted metal beside it that can still be welded to stays: the pieces are small.');
    no.push('What stays is treated and coated, and thinner than it was built: look again every year.');
    if (panel.structural)
      no.push('This panel carries load: ask a qualified person whether pitted metal may stay in it.');
  }
  if (option === 'make') {
    yes.push('Needs nobody who sells it, and can be as the original, weld for weld.');
    no.push('Takes forming tools and the hands for it; a first one is made twice.');
    if (panel.curvature === 'double') no.push('Double curvature: pieces are shaped, joined and planished.');
  }
  if (option === 'overlay') {
    yes.push('Quick, and little heat goes into the panel.');
    no.push('Rust that is sandwiched goes on unseen: treat, seal and drain it, and look again every year.');
    no.push('Some testers and judges reject it: ask before.');
  }
  if (option === 'whole') {
    if (share > CHAIN_OF_PATCHES) yes.push(`${percent} of the panel is ${state}.`);
    yes.push('Takes away what is hidden in this panel along with what shows.');
    if (panel.bolted) yes.push('It bolts on: no weld and no heat.');
    else if (panel.spotWelds > 0) no.push(`${panel.spotWelds} spot welds to drill out and to make again.`);
    if (panel.joints?.some(({ kind }) => kind === 'hem'))
      no.push('Its edge is hemmed: ground through, peeled, and folded over again in passes.');
    if (panel.joints?.some(({ sheets = 2 }) => sheets > 2))
      no.push('Three sheets meet at one of its edges: they part in an order.');
    if (offer && offer.leadDays > 7) no.push(`${offer.leadDays} days of delivery before it can begin.`);
    no.push('Replacement panels never fit as they come: plan trimming and flange work.');
    if (share < CHAIN_OF_PATCHES)
      no.push('A repair panel is nearly always larger than what has to be replaced: cut from it what you need.');
  }
  for (const sheet of repair.way?.through ?? [])
    no.push(`${sheet} lies before it: that has to be open first, which is not counted here.`);
  if (repair.way?.from === 'inside')
    no.push(
      'It is reached from its inner side: trim, carpet and wires there come out first, which is not counted here.',
    );
  return { for: yes, against: no };
}
