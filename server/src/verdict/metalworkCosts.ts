import { METALWORK_WORDS, type MetalworkCost, type MetalworkQuestion, type Shop } from '@aspecta/contract/shop';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { boxOf, type Ring } from '@aspecta/core/geometry';
import { jobDefaults, jobSteps, type JobRepair, type JobStep } from '@aspecta/core/job';
import { closedJoints, jointWork, meanHours, panelJoints, type Metalwork, type Paces } from '@aspecta/core/repair';
import type { OptionId } from '@aspecta/core/verdict';
import { waysIn } from '@aspecta/core/way';
import type { Caller } from '../http/session.ts';
import type { Workbench } from '../work/bench.ts';
import { block, RUNS } from './typical.ts';
import type { Weighing } from './weighing.ts';

type Zones = Weighing['zones'];
const SALOON = bodyPlan('saloon');
const zone = (panel: string, kind: Zones[number]['class'], ring: Ring, holes: readonly Ring[] = []): Zones[number] => ({
  ...{ class: kind, layer: panelOf(SALOON, panel).layers[0]!.id, ring, holes },
});
const SILL = panelOf(SALOON, 'sill-l');
const { minU, minV } = boxOf(SILL.outline);
/** Damage on which the schools are compared, and what is decided there: places on the unitary saloon, mm. */
const TYPICAL: Readonly<
  Record<Exclude<MetalworkQuestion, 'passage'>, { panel: string; zones: Zones; option: OptionId }>
> = {
  cutBack: {
    // Near a mount all of it would be cut whatever the school.
    panel: 'boot-floor',
    zones: [
      zone('boot-floor', 'through', block(800, 600, 60, 50)),
      zone('boot-floor', 'pitted', block(740, 550, 180, 150), [block(800, 600, 60, 50)]),
    ],
    option: 'patch',
  },
  rust: {
    panel: 'floor-front-l',
    zones: [zone('floor-front-l', 'pitted', block(300, 200, 360, 150))],
    option: 'treat',
  },
  finish: { panel: 'quarter-l', zones: [zone('quarter-l', 'through', block(700, 300, 180, 120))], option: 'patch' },
  primed: {
    panel: 'floor-front-l',
    zones: [zone('floor-front-l', 'through', block(300, 200, 180, 120))],
    option: 'patch',
  },
  lowEdge: { panel: SILL.id, zones: [zone(SILL.id, 'through', block(minU + 400, minV, 300, 60))], option: 'patch' },
};

interface Known {
  shop: Pick<Shop, 'rates' | 'schools' | 'metalwork'>;
  paces: Paces;
  bench: Workbench;
  caller: Caller;
}

/** What each school of working on metal comes to on a typical repair, by the rates and the other rules of this shop. */
export async function metalworkCosts(known: Known, question: MetalworkQuestion): Promise<MetalworkCost[]> {
  const choices = Object.keys(METALWORK_WORDS[question]) as MetalworkCost['choice'][];
  if (question === 'passage') return choices.map((choice) => passageCost(known, choice as Metalwork['passage']));
  const { shop, paces, bench, caller } = known;
  const { panel, zones, option: wanted } = TYPICAL[question];
  const schools = choices.map((choice): Metalwork => ({ ...shop.metalwork, [question]: choice }));
  const verdicts = await bench.run(
    'weighEach',
    {
      repairs: schools.map((metalwork): Weighing => ({
        ...{ plan: SALOON, panelId: panel, zones, offer: null, metalwork },
        ...{ rates: shop.rates, schools: shop.schools, house: { paces, runs: RUNS } },
      })),
    },
    caller.personId,
  );
  return choices.map((choice, i) => {
    const { hours, elements, outlay } = verdicts[i]!.options.find(({ id }) => id === wanted)!;
    const job = stepsOf({ panel, choice: wanted, hours: hours.p50, work: elements }, schools[i]!);
    // The step of filling is none of what a verdict counts; the others are.
    const asked = question === 'primed' ? worked(job) : hours.p50 + (question === 'finish' ? filling(schools[i]!) : 0);
    return {
      ...{ question, choice, hours: asked, cost: Math.round(asked * shop.rates.hour + outlay) },
      ...(question === 'primed' || question === 'rust' ? { dries: drying(job) } : {}),
    };
  });
}

const filling = ({ finish }: Metalwork): number => (finish === 'filler' ? jobDefaults.fill : 0);

/** The steps of such a repair alone. */
function stepsOf(repair: Pick<JobRepair, 'panel' | 'choice' | 'hours' | 'work'>, metalwork: Metalwork): JobStep[] {
  const known = { id: 'typical', done: false, order: null, opened: null, welded: null };
  const input = { finds: [], undecided: [], metalwork, repairs: [{ ...known, ...repair }] };
  return jobSteps({ body: SALOON, ...input });
}
const worked = (steps: readonly JobStep[]): number =>
  steps.reduce((sum, { repair, waits, hours }) => sum + (repair !== null && !waits ? hours : 0), 0);

/** Hours that one waits for coats from its first step to its last, where all work is done at once. */
function drying(steps: readonly JobStep[]): number {
  const end = new Map<string, number>();
  // They come in an order in which they can be done.
  for (const { id, waits, hours, after } of steps)
    end.set(id, Math.max(0, ...after.map((link) => (end.get(link.id) ?? 0) + (link.lag ?? 0))) + (waits ? hours : 0));
  return Math.max(...end.values());
}

/** mm. The boot floor of the saloon, its lid’s opening, and what is open when the tail panel is off. */
const WAY = { depth: 60, clearance: 50, lid: { a: 780, b: 420 }, open: { a: 1300, b: 900 } };

/** A boot floor in two sections through the opening of the lid, or whole after the tail panel has come off; joints opened and closed again. */
function passageCost({ shop, paces }: Known, rather: Metalwork['passage']): MetalworkCost {
  const [floor, tail] = [panelOf(SALOON, 'boot-floor'), panelOf(SALOON, 'tail-panel')];
  const box = boxOf(floor.outline);
  const joints = closedJoints(panelJoints(SALOON, tail), { visible: tail.visible, schools: shop.schools });
  const { finish } = shop.metalwork;
  const off = meanHours(jointWork(joints, { visible: tail.visible, made: false, finish }), paces);
  const routes = [
    { id: 'lid', name: 'Boot lid', opening: WAY.lid, room: null, parts: [] },
    {
      ...{ id: 'tail', name: 'Tail panel off', opening: WAY.open, room: null },
      parts: [{ what: tail.name, off: off / 2, on: off / 2, risk: '', chance: 0, price: 0 }],
    },
  ];
  const { routes: results, best } = waysIn({
    ...{ piece: floor.outline, depth: WAY.depth, clearance: WAY.clearance, routes },
    lines: [
      { across: true, at: (box.maxU - box.minU) / 2 },
      { across: false, at: (box.maxV - box.minV) / 2 },
    ],
    ...{ rate: shop.rates.hour, visible: floor.visible, rather, finish },
  });
  const { hours, total } = results.find(({ id }) => id === best)!;
  return { question: 'passage', choice: rather, hours: hours.parts + hours.seams, cost: total };
}
