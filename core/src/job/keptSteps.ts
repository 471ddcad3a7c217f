import { isSeen, pieceName, type Panel } from '../body/index.ts';
import { isCutIn } from '../verdict/index.ts';
import { surfaced } from './coverSteps.ts';
import { CLEAN, DRIES, FITTED, hardened, hoursByKind, maker, PRIMED, TREATED, type Known } from './makesSteps.ts';
import type { JobRepair, JobStep } from './types.ts';

/** The metal stays: stripped, treated, dressed, coated; an opening is cut besides. */
export function keptSteps(repair: JobRepair, panel: Panel, known: Known): JobStep[] {
  const { house, paints, metalwork } = known;
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
  add('treat', `${TREATED[metalwork.rust]} what is clean`, hours('treat'), {
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
    after: [hardened(link(['weld', 'treat', 'open'], 'The metal is sound and clean first.'), known)],
  });
  add('prime', 'prime and coat', hours('prime') || house.seal, {
    path: 'close',
    dry: true,
    share: repair.coated?.primed ?? 0,
    after: [hardened(link(['dress', 'weld', 'treat', 'open', 'strip'], PRIMED, { within: house.bare }), known)],
  });
  add('cure', 'the coat dries', house.cure, { path, waits: true, after: [link(['prime'], DRIES)] });
  if (seen) surfaced(made, repair, { house, paints });
  return steps;
}
