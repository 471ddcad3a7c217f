import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import { uniforms } from '../random.ts';
import { COATED_FACES } from '../repair/index.ts';
import {
  damagedArea,
  elementsOf,
  isBought,
  isCutIn,
  OPENING_EDGE,
  kindOfWork,
  type Element,
  type OptionId,
  keepsPanel,
} from './elements.ts';
import { paceFor, type JointFacts } from '../repair/index.ts';
import { pertTables } from './pertTable.ts';
import { reasonsFor, ruledOut, NEARLY_ALL, patchShare } from './reasons.ts';
import { houseDefaults, type House, type Rates, type Repair } from './repair.ts';
import { isRim, isWork } from '../survey/index.ts';
import { spreadOf, type Spread } from './simulate.ts';

export interface VerdictOption {
  id: OptionId;
  title: string;
  hours: Spread;
  /** Minor units, work and material and panel. */
  cost: Spread;
  /** Minor units that are paid out: panel, sheet, wire, coats. */
  outlay: number;
  /** Days until it can begin because of delivery. */
  waitDays: number;
  /** Calendar days until it is done: delivery, work at the hours of a day, and a night for the coats. */
  days: Spread;
  elements: (Element & { hours: number })[];
  for: string[];
  against: string[];
  /** Why it cannot be done here; null where it can. */
  ruledOut: string | null;
  /** It ends the damage, and does not only slow it down. */
  lasts: boolean;
  cheapest: number;
  quickest: number;
}

export interface Verdict {
  options: VerdictOption[];
  proposed: OptionId | null;
  why: string;
  /** Damaged share of the panel, 0 to 1. */
  damageShare: number;
  /** Damaged share at which the whole panel becomes cheaper than patching; null where it never does or cannot be bought. */
  breakEvenShare: number | null;
  /** Both costs over the damaged share, minor units; null where the panel cannot be bought. */
  costByShare: CostByShare | null;
  mountCaution: string | null;
}

const TITLES: Record<OptionId, string> = {
  treat: 'Treat and keep',
  patch: 'Let in a patch',
  part: 'Let in part of a repair panel',
  whole: 'Fit a whole panel',
  make: 'Make the panel',
  overlay: 'Lay a new sheet over it',
  open: 'Make the opening',
};
/** Every option, in the order in which they are shown. */
export const OPTIONS: readonly OptionId[] = ['treat', 'patch', 'part', 'whole', 'make', 'overlay', 'open'];
const SEED = 20_260;
/** Minutes of setting up and clearing away for any option; common practice, no published source. */
const SETTING_UP = [10, 20, 40] as const;

/**
 * Treat, patch or whole panel: hours from counted elements, cost with the landed price,
 * what speaks for and against, and which of them is proposed. The person decides.
 *
 * @param repair panel, zones (1 to 200) and offer; lengths mm, areas mm², money minor units
 * @param rates minor units
 * @param house the shop's rules; defaults are common practice
 * @throws Problem naming the field
 */
export function compare({ repair, rates, house }: { repair: Repair; rates: Rates; house?: Partial<House> }): Verdict {
  const rules = { ...houseDefaults, ...house };
  check(repair, rates, rules);
  const damage = damagedArea(repair);
  const near = repair.zones.some((zone) => zone.toMount !== null && zone.toMount < rules.mountRadius);
  const offered = offeredFor(repair, rules);
  const tables = pertTables();
  const luck = chanceOf(rules.runs);
  const drawn = offered.map((id) => simulateOption(id, repair, rates, rules, tables, luck));
  const possible = offered.map((id) => ruledOut(id, repair, near));
  const shares = winnerShares(drawn, possible);
  const options = offered.map((id, i): VerdictOption => ({
    id,
    title: TITLES[id],
    hours: spreadOf(drawn[i]!.hours.slice()),
    cost: spreadOf(drawn[i]!.cost.slice()),
    outlay: drawn[i]!.outlay,
    waitDays: waitFor(id, repair),
    days: spreadOf(drawn[i]!.hours.map((h) => waitFor(id, repair) + h / rules.hoursPerDay + CURING)),
    elements: drawn[i]!.elements,
    ...reasonsFor(id, repair),
    ruledOut: possible[i]!,
    lasts: !keepsPanel(id) || treatmentLasts(repair),
    cheapest: shares.cheapest[i]!,
    quickest: shares.quickest[i]!,
  }));
  const { proposed, why } = propose(options, repair);
  const curves = byShare(repair, rates, rules, damage, tables);
  return {
    options,
    proposed,
    why,
    damageShare: damage / (repair.panel.area * (repair.layers ?? 1)),
    breakEvenShare: curves?.breakEven ?? null,
    costByShare: curves?.costs ?? null,
    mountCaution: near
      ? `Part of this damage lies within ${rules.mountRadius} mm of a mount. There only continuous or as-built welds of metal of equal thickness count; never filler, sealer, rivets or overlap on rust. Follow your local code and the maker’s manual, and ask a qualified person.`
      : null,
  };
}

/** What can be weighed at all: an opening is made, and damage is repaired; the two are decided by themselves. */
function offeredFor({ zones }: Repair, rules: House): OptionId[] {
  const openings = zones.filter((zone) => zone.class === 'opening').length;
  if (openings > 0 && openings < zones.length)
    refuse('mixed', 'repair.zones', 'An opening to make is decided by itself: choose it without the damage beside it.');
  return OPTIONS.filter((id) => (id === 'open') === openings > 0 && (id !== 'overlay' || rules.overlay));
}

/** Days for the coats to cure (T-19); common practice, no published source. */
const CURING = 1;
const waitFor = (id: OptionId, { offer }: Repair) => (isBought(id) ? (offer?.leadDays ?? 0) : 0);

function check(repair: Repair, rates: Rates, house: House): void {
  finite('repair.panel.area', repair?.panel?.area, { above: 0, unit: 'mm²' });
  finite('repair.panel.jointLength', repair.panel.jointLength, { min: 0, unit: 'mm' });
  finite('repair.panel.spotWelds', repair.panel.spotWelds, { min: 0, max: 10_000 });
  finite('repair.layers', repair.layers ?? 1, { min: 1, max: 20 });
  finite('repair.panel.thickness', repair.panel.thickness, { above: 0, max: 20, unit: 'mm' });
  list<Repair['zones'][number]>('repair.zones', repair.zones, 1, 200).forEach((zone, i) => {
    finite(`repair.zones[${i}].area`, zone?.area, { above: 0, unit: 'mm²' });
    finite(`repair.zones[${i}].patchPerimeter`, zone.patchPerimeter, { min: 0, unit: 'mm' });
    if (zone.patchUnseen !== undefined)
      finite(`repair.zones[${i}].patchUnseen`, zone.patchUnseen, { min: 0, max: zone.patchPerimeter, unit: 'mm' });
    finite(`repair.zones[${i}].patchArea`, zone.patchArea, { min: 0, unit: 'mm²' });
    if (zone.toMount !== null) finite(`repair.zones[${i}].toMount`, zone.toMount, { min: 0, unit: 'mm' });
  });
  const joints = (field: string, all: readonly JointFacts[] | undefined) =>
    all?.forEach((joint, i) => {
      finite(`${field}[${i}].length`, joint?.length, { min: 0, unit: 'mm' });
      finite(`${field}[${i}].fasteners`, joint.fasteners, { min: 0, max: 10_000 });
    });
  joints('repair.panel.joints', repair.panel.joints);
  repair.zones.forEach((zone, i) => joints(`repair.zones[${i}].joints`, zone.joints));
  if (repair.offer) {
    finite('repair.offer.landed', repair.offer.landed, { min: 0 });
    finite('repair.offer.leadDays', repair.offer.leadDays, { min: 0, max: 3650 });
  }
  for (const key of ['hour', 'sheetDm2', 'weldMetre', 'coatDm2'] as const)
    finite(`rates.${key}`, rates?.[key], { min: 0 });
  finite('house.runs', house.runs, { min: 200, max: 200_000 });
  finite('house.pace', house.pace, { above: 0, max: 20 });
  for (const [kind, pace] of Object.entries(house.paces ?? {}))
    finite(`house.paces.${kind}`, pace, { above: 0, max: 20 });
  finite('house.hoursPerDay', house.hoursPerDay, { min: 0.1, max: 24, unit: 'h' });
}

type Tables = ReturnType<typeof pertTables>;

interface Drawn {
  hours: Float64Array;
  cost: Float64Array;
  outlay: number;
  elements: (Element & { hours: number })[];
}

/** What chance brings in each run, the same for all options: what is hidden, and how each kind of work goes. */
interface Chance {
  /** Standard normal, one for each run. */
  hidden: Float64Array;
  /** Uniform, one for each run, for a kind of work. */
  of: (kind: string) => Float64Array;
}

/**
 * Common random numbers: one draw of what is hidden for each run, and one stream for each kind
 * of work, shared by all options. Two options that count the same work differ by nothing, so
 * their difference is that of the work and not of chance.
 * Source: Law & Kelton, Simulation Modeling and Analysis (common random numbers).
 */
function chanceOf(runs: number): Chance {
  const stream = (seed: number) => Float64Array.from({ length: runs }, uniforms(seed));
  const kinds = new Map<string, Float64Array>();
  const [radius, angle] = [stream(SEED), stream(SEED + 1)];
  return {
    // Box & Muller 1958.
    hidden: radius.map((x, i) => Math.sqrt(-2 * Math.log(x)) * Math.cos(2 * Math.PI * angle[i]!)),
    of: (kind) => {
      const known = kinds.get(kind) ?? stream(seedOf(kind));
      kinds.set(kind, known);
      return known;
    },
  };
}

/** A seed of its own for every kind (FNV-1a). */
const seedOf = (kind: string) =>
  [...kind].reduce((hash, letter) => Math.imul(hash ^ letter.codePointAt(0)!, 16_777_619) >>> 0, 2_166_136_261);

function simulateOption(id: OptionId, repair: Repair, rates: Rates, house: House, tables: Tables, luck: Chance): Drawn {
  const counted = elementsOf(id, repair).filter((element) => element.count > 0);
  const elements = [
    ...counted,
    { name: 'Set up and clear away', count: 1, unit: 'time', minutes: SETTING_UP, rule: 'T-30' },
  ];
  const paces = elements.map(({ name }) => paceFor(name, house.paces) * house.pace);
  const samplers = elements.map(({ minutes }) => tables(minutes));
  const streams = elements.map((element) => luck.of(kindOfWork(element)));
  // What the cut reveals makes patches grow; a whole panel takes its own damage away, but not what lies behind.
  const seenWhole = repair.zones.every((zone) => isWork(zone.class));
  const median = seenWhole ? 1 : isCutIn(id) ? house.hiddenMedian : 1 + (house.hiddenMedian - 1) / 2;
  const outlay = Math.round(outlayOf(id, repair, rates));
  const hours = new Float64Array(house.runs);
  const cost = new Float64Array(house.runs);
  for (let run = 0; run < house.runs; run++) {
    let minutes = 0;
    for (let i = 0; i < elements.length; i++)
      minutes += elements[i]!.count * paces[i]! * samplers[i]!(streams[i]![run]!);
    hours[run] = (minutes / 60) * median * Math.exp(house.hiddenSigma * luck.hidden[run]!);
    cost[run] = hours[run]! * rates.hour + outlay;
  }
  return {
    hours,
    cost,
    outlay,
    elements: elements.map((element, i) => ({
      ...element,
      hours: ((element.minutes[0] + 4 * element.minutes[1] + element.minutes[2]) / 6 / 60) * element.count * paces[i]!,
    })),
  };
}

function outlayOf(id: OptionId, repair: Repair, rates: Rates): number {
  const damage = damagedArea(repair) / 10_000;
  const patch = repair.zones.reduce((sum, zone) => sum + zone.patchArea, 0) / 10_000;
  const weld = repair.zones.reduce((sum, zone) => sum + zone.patchPerimeter, 0) / 1000;
  // Along the rim, so wide as it is coated; weld is in metres here.
  if (id === 'open') return ((weld * 1000 * OPENING_EDGE) / 10_000) * COATED_FACES * rates.coatDm2;
  if (id === 'treat') return damage * 1.5 * rates.coatDm2;
  if (id === 'patch')
    return patch * 1.4 * rates.sheetDm2 + weld * rates.weldMetre + patch * COATED_FACES * rates.coatDm2;
  const area = repair.panel.area / 10_000;
  if (id === 'part') return (repair.offer?.landed ?? 0) + weld * rates.weldMetre + patch * COATED_FACES * rates.coatDm2;
  if (id === 'overlay')
    return patch * 1.2 * rates.sheetDm2 + weld * 0.5 * rates.weldMetre + patch * COATED_FACES * rates.coatDm2;
  if (id === 'make')
    return (
      area * 1.4 * rates.sheetDm2 +
      (repair.panel.jointLength / 1000) * 1.5 * rates.weldMetre +
      area * COATED_FACES * rates.coatDm2
    );
  return (
    (repair.offer?.landed ?? 0) +
    (repair.panel.jointLength / 1000) * rates.weldMetre +
    area * COATED_FACES * rates.coatDm2
  );
}

function winnerShares(
  drawn: readonly Drawn[],
  impossible: readonly (string | null)[],
): { cheapest: number[]; quickest: number[] } {
  const open = drawn.map((_, i) => i).filter((i) => impossible[i] === null);
  const count = (of: 'cost' | 'hours') => {
    const wins = drawn.map(() => 0);
    const runs = drawn[0]!.hours.length;
    for (let run = 0; run < runs && open.length > 0; run++) {
      const best = open.reduce((a, b) => (drawn[b]![of][run]! < drawn[a]![of][run]! ? b : a));
      wins[best]! += 1 / runs;
    }
    return wins;
  };
  return { cheapest: count('cost'), quickest: count('hours') };
}

function propose(options: readonly VerdictOption[], repair: Repair): { proposed: OptionId | null; why: string } {
  const open = options.filter((option) => option.ruledOut === null);
  if (open.length === 0)
    return { proposed: null, why: 'None of the options can be done here: find a panel to buy, or plan to make it.' };
  const lasting = open.filter(({ lasts }) => lasts);
  const best = (lasting.length > 0 ? lasting : open).reduce((a, b) => (b.cost.p50 < a.cost.p50 ? b : a));
  const others = open.filter((option) => option !== best);
  if (options.length === 1)
    return { proposed: best.id, why: `${best.title}: there is one way to do it; this is what it takes.` };
  if (others.length === 0)
    return { proposed: best.id, why: `${best.title}: every other option is ruled out for ${repair.panel.name}.` };
  const ready = instead(best, others);
  if (ready)
    return {
      proposed: ready.id,
      why: `${ready.title}: it can be bought for about as much as making it comes to (${dearer(ready, best)}), with ${(best.hours.p50 - ready.hours.p50).toFixed(1)} h less work, and its shape is there.`,
    };
  const next = others.reduce((a, b) => (b.cost.p50 < a.cost.p50 ? b : a));
  const sure = best.cheapest >= 0.8 ? 'clearly' : best.cheapest >= 0.6 ? 'probably' : 'by a narrow margin';
  if (next.cost.p50 < best.cost.p50)
    return {
      proposed: best.id,
      why: `${best.title}: treating costs less today, but the metal stays too thin to weld to.`,
    };
  return {
    proposed: best.id,
    why: `${best.title}: ${sure} the cheapest of what can be done here, ${timesIn100(best.cheapest)}; next is ${next.title.toLowerCase()}.`,
  };
}

/** Costs that differ by less, as a share, are about the same beside what is not known of either. */
const ABOUT_THE_SAME = 0.1;

/**
 * What is bought instead of made, where it comes to about as much and takes fewer hours: those are what a restorer has
 * least of, and a pressing has its shape already (common practice, no published source).
 */
function instead(best: VerdictOption, others: readonly VerdictOption[]): VerdictOption | undefined {
  if (best.id !== 'make') return undefined;
  return others
    .filter(
      ({ id, hours, cost }) =>
        isBought(id) && hours.p50 < best.hours.p50 && cost.p50 <= best.cost.p50 * (1 + ABOUT_THE_SAME),
    )
    .sort((a, b) => a.cost.p50 - b.cost.p50)[0];
}
const dearer = ({ cost }: VerdictOption, than: VerdictOption): string => {
  const share = Math.round((cost.p50 / than.cost.p50 - 1) * 100);
  return share > 0 ? `${share} % dearer` : 'the same';
};

/** How often, in words: never that something is certain. */
const timesIn100 = (share: number): string =>
  share > 0.99 ? 'more than 99 times in 100' : `${Math.round(share * 100)} times in 100`;

/** Treating keeps what is pitted or filled; metal that is too thin stays too thin. */
const treatmentLasts = (repair: Repair) =>
  repair.zones.every((zone) => ['pitted', 'filler', 'dent'].includes(zone.class));

/** What a patch and the whole panel cost over the damaged share of the panel, its zones growing alike. */
export interface CostByShare {
  patch: { share: number; cost: Spread }[];
  whole: Spread;
}

/** Shares at which the two are compared; closer together where damage is small. */
const SHARES = [0.01, 0.02, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];

/** Patching against the whole panel over the damaged share; null where the panel cannot be bought. */
function byShare(repair: Repair, rates: Rates, house: House, damage: number, tables: Tables) {
  if (!repair.offer || repair.zones.every((zone) => isRim(zone.class))) return null;
  const rules = { ...house, runs: 400 };
  const luck = chanceOf(rules.runs);
  const whole = spreadOf(simulateOption('whole', repair, rates, rules, tables, luck).cost);
  const patchAt = (share: number): Spread => {
    const scale = (share * repair.panel.area) / damage;
    const zones = repair.zones.map((zone) => ({
      ...zone,
      area: zone.area * scale,
      patchArea: zone.patchArea * scale,
      patchPerimeter: zone.patchPerimeter * Math.sqrt(scale),
      ...(zone.patchUnseen ? { patchUnseen: zone.patchUnseen * Math.sqrt(scale) } : {}),
      ...(zone.joints ? { joints: grown(zone.joints, Math.sqrt(scale), repair.panel.joints) } : {}),
    }));
    const left = (repair.left ?? 0) * scale;
    return spreadOf(simulateOption('patch', { ...repair, zones, left }, rates, rules, tables, luck).cost);
  };
  // From there on the line takes in nearly all of the panel: no patch any more.
  const most = Math.min(1, ((damage / repair.panel.area) * NEARLY_ALL) / Math.max(patchShare(repair), 1e-9));
  const shares = SHARES.filter((share) => share < most);
  const costs: CostByShare = { whole, patch: [...shares, most].map((share) => ({ share, cost: patchAt(share) })) };
  return { costs, breakEven: breakEven((share) => patchAt(share).p50, whole.p50, most) };
}

/** Edges that a patch takes in when it grows alike: longer by the same factor, and never longer than the panel has. */
function grown(joints: readonly JointFacts[], by: number, whole: readonly JointFacts[] = []): JointFacts[] {
  const most = (of: 'length' | 'fasteners') => whole.reduce((sum, joint) => sum + joint[of], 0) || Infinity;
  const sum = joints.reduce((all, { length }) => all + length, 0);
  const factor = Math.min(by, most('length') / Math.max(sum, 1));
  return joints.map((joint) => ({ ...joint, length: joint.length * factor, fasteners: joint.fasteners * factor }));
}

/** Finds by bisection the damaged share at which patching costs as much as the whole panel, or is it; null where it never does. */
function breakEven(patchAt: (share: number) => number, whole: number, most: number): number | null {
  if (patchAt(most) < whole) return most < 1 ? most : null;
  let [low, high] = [0.0005, most];
  if (patchAt(low) > whole) return low;
  for (let i = 0; i < 24; i++) {
    const middle = Math.sqrt(low * high);
    if (patchAt(middle) < whole) low = middle;
    else high = middle;
  }
  return high;
}
