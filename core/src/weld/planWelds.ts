import { finite, list } from '../check.ts';
import { lineLength } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { netPower } from './netPower.ts';
import type { Choice, WeldInput, WeldPlan, WeldSeam } from './planTypes.ts';
import { seamOf, spansOf, stitchAll, tackSeam } from './seamWelds.ts';
import { settings } from './settings.ts';
import { TACK_PITCH } from './tacks.ts';
import { Torch } from './torch.ts';
import { ROUNDING } from '../tolerances.ts';

const MOST_STITCHES = 400;

/**
 * In which order is a joint welded, and how long must one wait? The way of the work:
 * settings → tacks → stitches → heat → order → times. A stitch starts only where the sheet
 * is hand-warm and runs back to the previous tack.
 *
 * @returns steps with start times (s), temperatures (°C) and waits
 * @throws Problem naming the field
 * Source: T-06 to T-09 (common practice); heat by the thin-plate line source (see lineSource).
 */
export function planWelds(input: WeldInput): WeldPlan {
  const { handWarm = 50, ambient = 20, strategy = 'coolest', stitch = 13 } = input;
  finite('handWarm', handWarm, { min: ambient + 5, max: 300, unit: '°C' });
  finite('ambient', ambient, { min: -20, max: 60, unit: '°C' });
  finite('stitch', stitch, { min: 5, max: 200, unit: 'mm' });
  if (!['coolest', 'skip', 'backstep', 'continuous'].includes(strategy))
    refuse('unknown-strategy', 'strategy', 'strategy must be coolest, skip, backstep or continuous.');
  const seams = list<WeldSeam>('seams', input.seams, 1, 50).map((seam, i) =>
    seamOf(`seams[${i}].points`, seam, input.position ?? 'flat'),
  );
  const set = settings(input);
  const pitch = finite('pitch', input.pitch ?? TACK_PITCH[input.process], { min: 5, max: 200, unit: 'mm' });
  const spans = seams.map((seam, s) => spansOf(seam, s, pitch, stitch));
  const stitches = spans.flat().reduce((sum, span) => sum + span.stitches.length, 0);
  if (stitches > MOST_STITCHES)
    refuse('too-many', 'seams', `This makes ${stitches} stitches; plan at most ${MOST_STITCHES} at once.`);

  const lay = (choice: Choice) => {
    const torch = new Torch(input, ambient, handWarm);
    const positions = [...new Set(seams.map((seam) => seam.position))];
    positions.forEach((position, k) => {
      torch.set(netPower(input.process, settings({ ...input, position }), input.thickness));
      if (k > 0) torch.turn(`Turn the car or move over: the next seams are welded ${position}.`);
      const here = seams.map((seam, s) => ({ seam, s })).filter(({ seam }) => seam.position === position);
      for (const { seam, s } of here) tackSeam(torch, { seam, index: s, pitch });
      torch.check(
        `Tap the tacks level, check gap (up to ${input.thickness} mm) and height, try the neighbouring panel.`,
      );
      stitchAll(
        torch,
        here.flatMap(({ s }) => spans[s]!),
        { seams, choice },
      );
    });
    torch.check(
      'Let everything cool to the touch, then dress a little at a time: grinding heat warps like welding heat.',
    );
    return torch.plan(
      set,
      seams.reduce((sum, seam) => sum + lineLength(seam.line), 0),
    );
  };
  if (strategy !== 'coolest') return lay(strategy);
  // Several ways to choose among what is cool; the quickest is taken, and it is never slower than skipping.
  return (['coolest', 'farthest', 'warmest', 'skip'] as const)
    .map(lay)
    .reduce((a, b) => (b.totalTime < a.totalTime - ROUNDING ? b : a));
}
