import { hollowsAt, isSeen, pieceName, sidesInReach, triedWith, type BodyPlan, type Panel } from '../body/index.ts';
import { coversOf, type CoatKind, type CoatSystems } from '../close/index.ts';
import { isCutIn, isMade, keepsPanel } from '../verdict/index.ts';
import { BASELINE, BRACE, SAFE } from './carSteps.ts';
import { orderSteps } from './orderSteps.ts';
import { isUndone, phaseOf } from '../repair/index.ts';
import type { JobHouse, JobRepair, JobStep, Link, StepKind } from './types.ts';

/** Share of the coating that goes onto faces which the piece will cover. */
const BEHIND = 0.5;

/** What the steps of a repair rest on beside it and its panel. */
interface Known {
  body: BodyPlan;
  house: JobHouse;
  /** A panel that is seen is painted after its repair. */
  paints: boolean;
  /** What goes onto each side of the metal. */
  systems: CoatSystems;
}

/** The steps of one repair in their order; its counted hours are shared out among them. */
export function repairSteps(repair: JobRepair, panel: Panel, known: Known): JobStep[] {
  return keepsPanel(repair.choice) ? keptSteps(repair, panel, known) : openedSteps(repair, panel, known);
}

/** Hours of each step: what was counted for it, stretched so that all of them are what was decided on. */
export function hoursByKind({ work, hours }: Pick<JobRepair, 'work' | 'hours'>): (kind: StepKind) => number {
  const counted = work.reduce((sum, element) => sum + element.hours, 0);
  const stretch = counted > 0 ? hours / counted : 1;
  const by = new Map<StepKind, number>();
  const add = (kind: StepKind, more: number) => by.set(kind, (by.get(kind) ?? 0) + more);
  for (const element of work) {
    const kind = phaseOf(element.name) ?? 'fit';
    // Bolts are undone when the joint is opened, and done up when it is closed.
    const undone = isUndone(element.name) ? 0.5 : 0;
    add('open', undone * element.hours * stretch);
    add(kind, (1 - undone) * element.hours * stretch);
  }
  // Nothing is known of what it consists of: all of it is in the step that is the repair itself.
  if (counted === 0) by.set('weld', hours);
  return (kind) => by.get(kind) ?? 0;
}

type Maker = ReturnType<typeof maker>;

/** Makes steps of one repair, leaving out those without work. */
function maker({ id: repair, done, panel, took }: JobRepair, name: string) {
  const steps: JobStep[] = [];
  return {
    steps,
    add(
      kind: StepKind,
      title: string,
      hours: number,
      over: Partial<Omit<JobStep, 'after'>> & { after?: (Link | false)[]; always?: boolean } = {},
    ): void {
      const { after = [], always, ...rest } = over;
      if (hours <= 0 && !always) return;
      // What the same took on the other side says more than what was reckoned.
      const taught = rest.waits ? undefined : took?.hours[kind];
      steps.push({
        id: `${repair} ${kind}`,
        kind,
        repair,
        panel,
        title: `${name}: ${title}`,
        hours: taught ?? hours,
        ...(taught === undefined ? {} : { like: took!.panel }),
        waits: false,
        dry: false,
        needs: [],
        closes: [],
        path: `repairs/${repair}/joints`,
        ...rest,
        share: done ? 1 : (rest.share ?? 0),
        after: after.filter((link): link is Link => link !== false),
      });
    },
    /** The step of this repair that comes last among these kinds. */
    link(kinds: readonly StepKind[], why: string, more: Partial<Link> = {}): Link | false {
      const before = [...steps].reverse().find(({ kind }) => kinds.includes(kind));
      return before ? { id: before.id, why, ...more } : false;
    },
  };
}

/** The metal stays: stripped, treated, dressed, coated; an opening is cut besides. */
function keptSteps(repair: JobRepair, panel: Panel, { house, paints }: Known): JobStep[] {
  const { id } = panel;
  const hours = hoursByKind(repair);
  const seen = isSeen(panel, repair.layers ?? []);
  const made = maker(repair, pieceName(panel, repair.layers ?? []));
  const { steps, add, link } = made;
  const path = isCutIn(repair.choice) ? `repairs/${repair.id}/cut` : `panels/${id}`;
  add('strip', 'strip to clean metal', hours('strip'), { path });
  add('open', 'mark and cut the opening', hours('open'), { path, after: [link(['strip'], CLEAN)] });
  add('make', 'template, shape, turn its edges', hours('make'), {
    path,
    after: [link(['open'], 'The edge is turned once it is cut.')],
  });
  add('treat', 'treat and prime what is clean', hours('treat'), {
    path,
    dry: true,
    after: [link(['strip'], 'Bare metal is treated within its hours, or it rusts again.', { within: house.bare })],
  });
  add('fit', 'trial fits of the sheet', hours('fit'), { path, after: [link(['make'], FITTED)] });
  add('weld', 'weld the sheet on', hours('weld'), {
    path,
    dry: true,
    needs: ['welder'],
    after: [link(['fit', 'treat'], 'It is fitted, and what it covers is treated, before it is welded on.')],
  });
  add('dress', 'raise, fill, block', hours('dress'), {
    path,
    after: [link(['weld', 'treat', 'open'], 'The metal is sound and clean first.')],
  });
  add('prime', 'prime and coat', hours('prime') || house.seal, {
    path: 'close',
    dry: true,
    share: repair.coated?.primed ?? 0,
    after: [link(['dress', 'weld', 'treat', 'open', 'strip'], PRIMED, { within: house.bare })],
  });
  add('cure', 'the coat dries', house.cure, { path, waits: true, after: [link(['prime'], DRIES)] });
  if (seen) surfaced(made, repair, { house, paints });
  return steps;
}

const REACHED = 'What stands in the way comes off first.';
const CLEAN = 'What is cut must be seen first.';
const FITTED = 'A piece is made before it is fitted.';
const PRIMED = 'Bare metal is primed within its hours, or it rusts again.';
const DRIES = 'A coat needs its hours before the next one goes on.';

/** A piece is let in, or the whole panel replaced. */
function openedSteps(repair: JobRepair, panel: Panel, { body, house, paints, systems }: Known): JobStep[] {
  const hours = hoursByKind(repair);
  const name = pieceName(panel, repair.layers ?? []);
  const seen = isSeen(panel, repair.layers ?? []);
  const made = maker(repair, name);
  const { steps, add, link } = made;
  const { order } = repair;
  const at = `repairs/${repair.id}`;
  const cut = isCutIn(repair.choice) ? `${at}/cut` : `${at}/joints`;
  if (order)
    for (const step of orderSteps(repair.id, { name, panel: panel.id, repair: repair.id, order, house }))
      steps.push({ ...step, share: repair.done ? 1 : step.share });
  if (repair.access)
    add('access', `take off ${repair.access.what.join(', ')}`, repair.access.off, {
      path: `${at}/way`,
      after: [{ id: SAFE, why: 'Battery, fuel and glass are seen to before anything is taken apart.' }],
    });
  add('strip', 'strip around the damage', hours('strip'), { path: cut, after: [link(['access'], REACHED)] });
  add('open', isCutIn(repair.choice) ? 'rough cut, then open its joints' : 'open its joints', hours('open'), {
    path: repair.opened === null ? cut : `${at}/joints`,
    share: repair.opened ?? 0,
    after: [
      { id: SAFE, why: 'Sparks: the car is made safe before anything is cut or welded.' },
      link(['access'], REACHED),
      link(['strip'], CLEAN),
      link(
        ['check'],
        'Nothing is cut before the new part has been held against the car: the wrong one would be found out too late.',
      ),
      ...(panel.structural
        ? [
            { id: BASELINE, why: 'It carries load: reference measurements come before the first cut.' },
            { id: BRACE, why: 'It carries load: the opening is braced before it is cut.' },
          ]
        : []),
    ],
  });
  add('look', 'look again behind it, and measure what shows: the decision may change', house.look, {
    path: `panels/${panel.id}`,
    after: [link(['open'], 'Only the open joint shows how far it goes.')],
  });
  const coats = hours('prime');
  const cavities = hollowsAt(body, { panel: panel.id, layers: repair.layers });
  add('behind', 'clean and coat the faces that it will cover', coats * BEHIND, {
    path: 'close',
    dry: true,
    share: repair.coated?.behind ?? 0,
    after: [link(['look'], 'First see whether more has to come out.')],
  });
  add(
    'make',
    repair.choice === 'whole' ? 'dress the flanges and trim the part' : 'make the piece, turn its edges',
    hours('make'),
    {
      path: isMade(repair.choice) ? `${at}/pattern` : cut,
      after: [
        link(['look'], 'Its size is known when the rough cut has shown the edge of the sound metal.'),
        link(['rework', 'check'], 'It is cut from the part that was checked and put right.'),
      ],
    },
  );
  // Both sides of the car are one word here: the page of the fit names each.
  const beside = [
    ...new Set(triedWith(body, panel.id).map(({ name }) => name.replace(/, (left|right)$/, '').toLowerCase())),
  ];
  add('fit', `trial fits, with ${beside.length > 0 ? inWords(beside) : 'the neighbours'} in place`, hours('fit'), {
    path: `${at}/fit`,
    share: repair.fitted ?? 0,
    after: [link(['make'], FITTED), link(['open'], 'The old metal is out of the way.')],
  });
  add('weld', 'weld and join', hours('weld'), {
    path: `${at}/weld`,
    dry: true,
    needs: ['welder'],
    share: repair.welded ?? 0,
    closes: cavities.map(({ name }) => name),
    after: [
      { id: SAFE, why: 'Sparks: the car is made safe before anything is cut or welded.' },
      link(['fit', 'open'], 'It fits, and its neighbours were tried with it, before the first tack.'),
      link(
        ['behind'],
        cavities.length > 0
          ? `${cavities.map(({ name }) => name).join(', ')} cannot be reached any more once this is welded: its faces are coated first, and dry.`
          : 'Faces that it covers are coated first, and dry.',
        { lag: house.cure },
      ),
    ],
  });
  add('dress', 'dress the welds', hours('dress'), {
    path: `${at}/dress`,
    share: repair.dressed ?? 0,
    after: [link(['weld'], 'When the last weld is cold.')],
  });
  add('prime', 'prime the bare metal on both faces', coats * (1 - BEHIND) || house.seal, {
    path: 'close',
    dry: true,
    // What was coated before it was welded has burnt since.
    share: repair.welded === 1 ? (repair.coated?.primed ?? 0) : 0,
    after: [link(['dress', 'weld'], PRIMED, { within: house.bare })],
  });
  add('cure', 'the primer dries', house.cure, {
    path: `panels/${panel.id}`,
    waits: true,
    after: [link(['prime'], DRIES)],
  });
  if (seen)
    add('fill', 'fill what is low, and block it level', house.fill, {
      path: `${at}/dress`,
      after: [link(['cure'], 'Filler goes onto dry primer over sound metal; never over a hole.')],
    });
  add('seal', 'seal the seams, leave the drains open', hours('seal') + house.seal, {
    path: `panels/${panel.id}`,
    after: [link(['cure'], 'Sealer goes onto dry primer.')],
  });
  if (seen) surfaced(made, repair, { house, paints });
  const sides = [
    ...(cavities.length > 0 ? (['hollow'] as const) : []),
    ...sidesInReach(body, { panel: panel.id, layers: repair.layers }),
  ];
  const last = lastCoats({ visible: panel.visible, sides }, systems);
  if (last)
    add('cover', last.title, house.cover, {
      path: 'close',
      dry: true,
      share: repair.welded === 1 ? (repair.coated?.covered ?? 0) : 0,
      after: [
        link(['seal'], 'Over the sealer, when it has skinned; drains stay open.'),
        link(['harden', 'surface'], 'Wax comes last: where it has crept, no surfacer and no paint holds.'),
      ],
    });
  if (last?.hardens && !steps.some(({ kind }) => kind === 'harden'))
    add('harden', 'the coats harden', house.harden, {
      path: 'close',
      waits: true,
      after: [
        link(['cover'], 'What is soft is rubbed off again: nothing is lowered onto it or bolted over it before.'),
      ],
    });
  if (repair.access)
    add('refit', `put back ${repair.access.what.join(', ')}`, repair.access.on, {
      path: `${at}/way`,
      after: [link(['harden', 'cover', 'seal', 'cure'], 'What covers it goes back when its coats are on and dry.')],
    });
  return steps;
}

/** From primer to what one sees: surfacer, blocked flat; and paint where this shop puts it on. */
function surfaced({ add, link }: Maker, repair: JobRepair, { house, paints }: Pick<Known, 'house' | 'paints'>): void {
  add('surface', 'surfacer, blocked flat over a guide coat', house.surface, {
    path: 'close',
    dry: true,
    after: [
      link(['fill'], 'It shows what the block has missed: nothing is filled after it.'),
      link(['seal'], 'What is sealed is painted over.'),
      link(['cure'], DRIES),
    ],
  });
  if (!paints) return;
  add('paint', 'paint it', house.paint, {
    path: 'close',
    dry: true,
    share: repair.coated?.painted ?? 0,
    after: [link(['surface'], DRIES, { lag: house.cure })],
  });
  add('harden', 'the paint hardens', house.harden, {
    path: 'close',
    waits: true,
    after: [link(['paint'], 'What is soft is marked by the first hand that touches it.')],
  });
}

/** `door`, `boot lid`, `wing` → door, boot lid and wing. */
const inWords = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** Coats over the primer, and the sides of the metal, as a restorer says them. */
const COVERS: Readonly<Record<CoatKind, string>> = {
  converter: 'converter',
  epoxy: 'primer',
  zinc: 'zinc primer',
  sealer: 'sealer',
  chip: 'stone chip',
  underbody: 'underbody coat',
  bed: 'bed coat',
  wax: 'wax',
  paint: 'paint',
};
const SIDES = { outside: 'outside', hollow: 'where it is hollow', back: 'behind' } as const;

/** What goes over the primer of a panel at last, and where; and whether it has to harden: wax stays soft. Null where nothing does. */
function lastCoats(
  { visible, sides }: { visible: boolean; sides: readonly (keyof typeof SIDES)[] },
  systems: CoatSystems,
): { title: string; hardens: boolean } | null {
  const where = new Map<CoatKind, string[]>();
  for (const kind of (['outside', 'hollow', 'back'] as const).filter((side) => sides.includes(side)))
    for (const coat of new Set(coversOf({ kind, visible }, systems)))
      where.set(coat, [...(where.get(coat) ?? []), SIDES[kind]]);
  if (where.size === 0) return null;
  return {
    title: inWords([...where].map(([coat, sides]) => `${COVERS[coat]} ${inWords(sides)}`)),
    hardens: [...where.keys()].some((coat) => coat !== 'wax'),
  };
}
