import { hollowsAt, isSeen, pieceName, sidesInReach, triedWith, type Panel } from '../body/index.ts';
import type { Metalwork } from '../repair/index.ts';
import { isCutIn, isMade, keepsPanel } from '../verdict/index.ts';
import { BASELINE, BRACE, SAFE } from './carSteps.ts';
import { inWords, lastCoats, surfaced } from './coverSteps.ts';
import { keptSteps } from './keptSteps.ts';
import { CLEAN, DRIES, FITTED, hardened, hoursByKind, maker, PRIMED, TREATED, type Known } from './makesSteps.ts';
import { orderSteps } from './orderSteps.ts';
import type { JobRepair, JobStep } from './types.ts';

/**
 * Shares of the coating: of the piece before it is fitted, of faces that it will cover, and of what is bare when it is
 * in. What burns at the joints is coated twice where it was coated before. Common practice, no published source.
 */
const COATED: Readonly<Record<Metalwork['primed'], { piece: number; behind: number; prime: number }>> = {
  after: { piece: 0, behind: 0.5, prime: 0.5 },
  before: { piece: 0.5, behind: 0.25, prime: 0.35 },
};

/** The steps of one repair in their order; its counted hours are shared out among them. */
export function repairSteps(repair: JobRepair, panel: Panel, known: Known): JobStep[] {
  return keepsPanel(repair.choice) ? keptSteps(repair, panel, known) : openedSteps(repair, panel, known);
}

const REACHED = 'What stands in the way comes off first.';
/** A piece is let in, or the whole panel replaced. */
function openedSteps(repair: JobRepair, panel: Panel, known: Known): JobStep[] {
  const { body, house, paints, systems, metalwork } = known;
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
  add('treat', `${TREATED[metalwork.rust]} the metal that stays`, hours('treat'), {
    path: `panels/${panel.id}`,
    dry: true,
    after: [link(['look'], 'Only the open joint shows how far it goes.')],
  });
  const coats = hours('prime');
  const coated = COATED[metalwork.primed];
  const cavities = hollowsAt(body, { panel: panel.id, layers: repair.layers });
  add('behind', 'clean and coat the faces that it will cover', coats * coated.behind, {
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
  add('precoat', 'coat the piece on every side while it lies on the bench', coats * coated.piece, {
    path: 'close',
    dry: true,
    after: [link(['make'], 'Its edges are turned and trimmed first.')],
  });
  // Both sides of the car are one word here: the page of the fit names each.
  const beside = [
    ...new Set(triedWith(body, panel.id).map(({ name }) => name.replace(/, (left|right)$/, '').toLowerCase())),
  ];
  add('fit', `trial fits, with ${beside.length > 0 ? inWords(beside) : 'the neighbours'} in place`, hours('fit'), {
    path: `${at}/fit`,
    share: repair.fitted ?? 0,
    after: [
      link(['make'], FITTED),
      link(['precoat'], 'A coat that is still soft comes off at the first fit.', { lag: house.cure }),
      link(['open'], 'The old metal is out of the way.'),
    ],
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
  add('prime', 'prime the bare metal on both faces', coats * coated.prime || house.seal, {
    path: 'close',
    dry: true,
    // What was coated before it was welded has burnt since.
    share: repair.welded === 1 ? (repair.coated?.primed ?? 0) : 0,
    after: [
      link(['dress', 'weld'], PRIMED, { within: house.bare }),
      hardened(link(['treat'], 'What was treated is coated with the rest.'), known),
    ],
  });
  add('cure', 'the primer dries', house.cure, {
    path: `panels/${panel.id}`,
    waits: true,
    after: [link(['prime'], DRIES)],
  });
  if (seen)
    add('fill', 'fill what is low, and block it level', metalwork.finish === 'filler' ? house.fill : 0, {
      path: `${at}/dress`,
      after: [link(['cure'], 'Filler goes onto dry primer over sound metal; never over a hole.')],
    });
  add('seal', sealing(cavities.length > 0, metalwork), hours('seal') + house.seal, {
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

/** What is sealed, and what stays open so that a hollow drains. */
function sealing(hollow: boolean, { lowEdge }: Pick<Metalwork, 'lowEdge'>): string {
  if (!hollow) return 'seal the seams, leave the drains open';
  return lowEdge === 'open'
    ? 'seal the seams; the low edge of the hollow and the drains stay open'
    : 'seal the seams all round, the low edge too; the drains stay open';
}
