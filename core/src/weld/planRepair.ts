import { finite, list } from '../check.ts';
import { lineLength, pointAt, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { hemWelds, PACES } from '../repair/index.ts';
import { netPower, spotEnergy } from './netPower.ts';
import type { Choice, RepairWeldInput, WeldJoint, WeldPlan } from './planTypes.ts';
import { placesAlong, rowOf, weldRows, type PointWelds, type Row } from './rowWelds.ts';
import { inOrderOf, seamOf, spansOf, stitchAll, tackSeam, weldId, type Said, type Seam } from './seamWelds.ts';
import { settings, type Position, type WeldSettings } from './settings.ts';
import { TACK_PITCH } from './tacks.ts';
import { weldSupplies } from './supplies.ts';
import { Torch } from './torch.ts';
import { ROUNDING } from '../tolerances.ts';

const MOST_WELDS = 900;
/** mm. Sheets up to this take the small hole (T-10). */
const THIN = 1.2;
/** s of arc for each mm of a plug's hole; common practice, no published source. */
const PLUG_TIME = 0.4;
/** A screw holds a flange at every second weld (T-41). */
const SCREW_EVERY = 2;
/** mm of brazed joint that is made in one go. */
const BRAZED_AT_ONCE = 100;

/**
 * In which order is a whole repair welded? Everything at its joints in one order: what locates the
 * piece first, then neighbours tried on, tacks, plugs and spots from the middle of each flange outward,
 * stitches back to the last weld at the coolest place, hems, brazing, rivets, holes of screws, and
 * what is done at the end. Seams of one position are welded together, the car is turned between them.
 *
 * @param input joints with lines in mm and how each is closed; thickness mm; temperatures °C
 * @returns steps with start times (s), temperatures (°C) and waits
 * @throws Problem naming the field: no joint, a pair that cannot be welded, too many welds at once
 * Source: T-06 to T-11, T-36, T-37, T-41, T-48 (common practice); heat by the thin-plate line source.
 * @example planRepair({ process: 'mig', thickness: 0.9, joints: [{ name: 'edge', kind: 'spot', closing: 'plug', welds: 3, line: [[0, 0], [120, 0]] }] }).steps.filter(({ kind }) => kind === 'plug').map(({ from }) => from) // → [[60, 0], [20, 0], [100, 0]]
 */
export function planRepair(input: RepairWeldInput): WeldPlan {
  const ready = checked(input);
  const lay = (choice: Choice) => layOut(ready, choice);
  const { strategy = 'coolest' } = input;
  if (strategy !== 'coolest') return lay(strategy);
  return (['coolest', 'farthest', 'warmest', 'skip'] as const)
    .map(lay)
    .reduce((a, b) => (b.totalTime < a.totalTime - ROUNDING ? b : a));
}

/** Everything that is known before the first step. */
interface Ready {
  input: RepairWeldInput;
  handWarm: number;
  ambient: number;
  joints: readonly Joint[];
  pitch: number;
  stitch: number;
  points: PointWelds;
  said: Said;
  /** Positions in the order in which they are welded. */
  positions: readonly Position[];
  set: WeldSettings;
}
type Joint = WeldJoint & { position: Position };

function checked(input: RepairWeldInput): Ready {
  const { handWarm = 50, ambient = 20, stitch = 13, strategy = 'coolest', position = 'flat', thickness } = input;
  finite('handWarm', handWarm, { min: ambient + 5, max: 300, unit: '°C' });
  finite('ambient', ambient, { min: -20, max: 60, unit: '°C' });
  finite('stitch', stitch, { min: 5, max: 200, unit: 'mm' });
  if (!['coolest', 'skip', 'backstep', 'continuous'].includes(strategy))
    refuse('unknown-strategy', 'strategy', 'strategy must be coolest, skip, backstep or continuous.');
  const joints = list<WeldJoint>('joints', input.joints, 1, 200).map((joint) => ({ position, ...joint }));
  const set = settings(input);
  if (joints.some(({ closing }) => closing === 'spot')) settings({ ...input, process: 'spot' });
  const pitch = finite('pitch', input.pitch ?? (input.process === 'tig' ? TACK_PITCH.tig : TACK_PITCH.mig), {
    min: 5,
    max: 200,
    unit: 'mm',
  });
  const hole = finite('hole', input.hole ?? (thickness <= THIN ? 5 : 8), { min: 3, max: 12, unit: 'mm' });
  const welds = joints.reduce((sum, joint) => sum + weldsIn(joint, pitch, stitch), 0);
  if (welds > MOST_WELDS)
    refuse(
      'too-many',
      'joints',
      `This makes about ${Math.round(welds)} welds; plan at most ${MOST_WELDS} at once: tacks farther apart, or longer stitches.`,
    );
  return {
    input,
    handWarm,
    ambient,
    joints,
    pitch,
    stitch,
    points: { hole, plugTime: PLUG_TIME * hole, spotEnergy: spotEnergy(thickness) },
    said: { first: input.first ?? [], barred: new Set(input.barred ?? []) },
    positions: (['flat', 'vertical', 'overhead'] as const).filter((one) =>
      joints.some((joint) => joint.position === one),
    ),
    set,
  };
}

const inOrder = (a: number, b: number): [number, number] => [Math.min(a, b), Math.max(a, b)];
const isSeam = ({ closing }: WeldJoint) => closing === 'butt' || closing === 'lap';
const isRow = ({ closing }: WeldJoint) => closing === 'plug' || closing === 'spot' || closing === 'joggle';
const weldsOfHem = (joint: WeldJoint) => joint.welds || hemWelds(lineLength(joint.line));

function weldsIn(joint: WeldJoint, pitch: number, stitch: number): number {
  if (isSeam(joint)) return lineLength(joint.line) * (1 / pitch + 1 / stitch);
  return joint.closing === 'hem' ? weldsOfHem(joint) : joint.welds;
}

function layOut(ready: Ready, choice: Choice): WeldPlan {
  const { input, joints, positions, set } = ready;
  const torch = new Torch(input, ready.ambient, ready.handWarm);
  const welded = joints.some((joint) => isSeam(joint) || isRow(joint) || joint.closing === 'hem');
  torch.work('prepare', MINUTE * 10, welded ? PREPARE : PREPARE_COLD);
  bolts(torch, joints, 'Put in, finger-tight: bolts locate the piece before anything is welded');
  torch.check(
    'Fit the neighbours that lie at this piece (door, lid, glass, trim, lamp) and look at every gap before the first weld.',
  );
  positions.forEach((position, k) => {
    torch.set(netPower(input.process, settings({ ...input, position }), Math.min(input.thickness, input.other ?? 99)));
    if (k > 0) torch.turn(`Turn the car or move over: the next joints are welded ${position}.`);
    weldPosition(torch, ready, { position, choice });
  });
  brazing(torch, joints);
  rivets(torch, joints);
  screwHoles(torch, ready);
  bolts(torch, joints, 'Do up');
  if (welded)
    torch.work(
      'dress',
      MINUTE * 5,
      'Let everything cool to the touch, then dress a little at a time: grinding heat warps like welding heat.',
    );
  torch.work('seal', MINUTE * 5, SEAL);
  const seams = joints.filter(isSeam).reduce((sum, { line }) => sum + lineLength(line), 0);
  const plan = torch.plan(set, seams);
  const { process, thickness, material } = input;
  return {
    ...plan,
    supplies: weldSupplies({ plan, process, thickness, material, hole: ready.points.hole }),
    sheets: inOrder(thickness, input.other ?? thickness),
  };
}

/** All joints of one position: tacked, rows welded, stitched, hems folded over. */
function weldPosition(
  torch: Torch,
  { input, joints, pitch, stitch, points, said }: Ready,
  { position, choice }: { position: Position; choice: Choice },
): void {
  const here = joints.map((joint, index) => ({ joint, index })).filter(({ joint }) => joint.position === position);
  const seams = joints.map(({ line, position: own }): Seam => seamOfLine(line, own));
  const stitched = here.filter(({ joint }) => isSeam(joint));
  const tacked: Point[] = [];
  for (const { index } of stitched) tackSeam(torch, { seam: seams[index]!, index, pitch }, said, tacked);
  if (stitched.length > 0)
    torch.check(`Tap the tacks level, check gap (up to ${input.thickness} mm) and height, try the neighbouring panel.`);
  const rows = here
    .filter(({ joint }) => isRow(joint))
    .map(({ joint, index }): Row => rowOf(joint, index, joint.closing === 'spot' ? 'spot' : 'plug', said));
  weldRows(torch, rows, choice, points);
  if (rows.length > 0 && stitched.length > 0) torch.check('Check gap and level again before the seams are closed.');
  stitchAll(
    torch,
    stitched.flatMap(({ index }) => spansOf(seams[index]!, index, pitch, stitch)),
    { seams, choice, said },
  );
  hems(torch, here, { choice, points, said });
}

const seamOfLine = (line: WeldJoint['line'], position: Position): Seam => {
  const closed = line.length > 2 && line[0]![0] === line.at(-1)![0] && line[0]![1] === line.at(-1)![1];
  return { ...seamOf('joints', { points: closed ? line.slice(0, -1) : line, closed }, position), position };
};

function hems(
  torch: Torch,
  here: readonly { joint: WeldJoint; index: number }[],
  { choice, points, said }: { choice: Choice; points: PointWelds; said: Said },
): void {
  const hemmed = here.filter(({ joint }) => joint.closing === 'hem');
  for (const { joint, index } of hemmed) {
    const length = lineLength(joint.line);
    torch.work(
      'hem',
      (length / 100) * PACES.hemFoldDm[1] * MINUTE,
      `Fold the hem over in several passes (${joint.name}); notch it where two flanges meet, and stop early: a corner folded too far cracks.`,
      { seam: index, place: pointAt(joint.line, length / 2) },
    );
  }
  weldRows(
    torch,
    hemmed.map(({ joint, index }) => rowOf(joint, index, 'tack', said, weldsOfHem(joint))),
    choice,
    points,
  );
}

function bolts(torch: Torch, joints: readonly WeldJoint[], how: string): void {
  joints.forEach((joint, seam) => {
    if (joint.closing !== 'bolt') return;
    const { line, welds, name } = joint;
    const place = pointAt(line, lineLength(line) / 2);
    torch.work('bolt', (welds * PACES.bolt[1] * MINUTE) / 2, `${how}: ${welds} bolts (${name})`, { seam, place });
  });
}

function rivets(torch: Torch, joints: readonly WeldJoint[]): void {
  joints.forEach((joint, seam) => {
    if (joint.closing !== 'rivet') return;
    const { line, welds, name } = joint;
    const place = pointAt(line, lineLength(line) / 2);
    torch.work(
      'rivet',
      welds * PACES.rivetIn[1] * MINUTE,
      `Set ${welds} rivets from the middle outward (${name}); where aluminium lies on steel, keep the two apart.`,
      { seam, place },
    );
  });
}

function brazing(torch: Torch, joints: readonly WeldJoint[]): void {
  joints.forEach((joint, seam) => {
    if (joint.closing !== 'braze') return;
    const length = lineLength(joint.line);
    const count = Math.max(1, Math.round(length / BRAZED_AT_ONCE));
    const middle = (count - 1) / 2;
    const places = placesAlong(joint.line, count).map((place, i) => ({ place, far: Math.abs(i - middle) }));
    for (const { place } of places.sort((a, b) => a.far - b.far))
      torch.work(
        'braze',
        (length / count / 100) * PACES.brazeDm[1] * MINUTE,
        `Braze about ${Math.round(length / count)} mm (${joint.name}); let it set before it is moved, and wash the flux off.`,
        { seam, place },
      );
  });
}

/** Between every second pair of plugs there was a screw. */
function screwHoles(torch: Torch, { input, joints, points, said }: Ready): void {
  if (input.holding !== 'screws') return;
  joints.forEach((joint, seam) => {
    if (!isRow(joint) || joint.welds < SCREW_EVERY) return;
    const between = Array.from({ length: Math.floor(joint.welds / SCREW_EVERY) }, (_, i) =>
      pointAt(joint.line, (lineLength(joint.line) * (SCREW_EVERY * i + 1)) / joint.welds),
    );
    for (const at of inOrderOf(between, (place) => weldId('hole', place, place), said))
      torch.point('hole', at, {
        seam,
        duration: points.plugTime,
        text: `Take the screw out and weld its hole up (${joint.name})`,
      });
  });
}

const MINUTE = 60;
const PREPARE =
  'Bright metal on both faces where a weld goes, and only there; zinc primer inside laps only; clamp every hand’s breadth; earth on clean metal beside the weld. Battery off, what burns out of the way or covered, extinguisher at hand.';
const PREPARE_COLD = 'Clean both faces of every joint, and coat what is covered afterwards.';
const SEAL =
  'Prime bare metal on both faces within its hours, seal the seams, leave every drain open. Fire watch: look again in half an hour, also at the far side.';
