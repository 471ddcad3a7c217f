import { finite } from '../check.ts';
import { lineLength, pointAt, toLine, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { partedByRuns } from './cutRuns.ts';
import type { Closing, JointFacts } from './joint.ts';
import { hemWelds } from './jointWork.ts';
import type { Metalwork } from './metalwork.ts';
import type { PieceJoint } from './ofPanel.ts';

/** How a shop closes joints of which nobody has said anything else (the schools of the trade). */
export interface Schools {
  /** A cut in sheet that is seen. */
  seen: 'butt' | 'lap' | 'joggle';
  /** A cut in sheet that stays hidden. */
  hidden: 'butt' | 'lap' | 'joggle';
  /** A flange that was spot-welded. */
  flange: 'plug' | 'spot';
}
export const schoolDefaults: Schools = { seen: 'butt', hidden: 'butt', flange: 'plug' };

/** What a person has said of the stretch that passes a place: how it is closed, and how far apart its welds stand. mm. */
export interface JointChoice {
  at: readonly [number, number];
  /** As built, so that a line that has moved does not give a cut the closing of a flange. */
  kind: string;
  /** As the house does it where it is left out. */
  closing?: Closing | undefined;
  /** Distance of its plugs, spots, bolts or rivets; as built where it is left out. */
  pitch?: number | undefined;
  /** Fasteners that were found there; reckoned from the pitch where it is left out. */
  found?: number | undefined;
  /** Of a cut: it counts for the straight run that passes the place, not for all of it. */
  alone?: boolean | undefined;
}

/** A joint with how it is closed. */
export interface ClosedJoint extends PieceJoint {
  closing: Closing;
  /** Plugs, spots, bolts or rivets with which it is closed, or the small welds that hold a hem. */
  welds: number;
  /** Distance of those, mm; undefined where there are none. */
  weldPitch?: number | undefined;
  /** A person has said how; else it follows the house rules. */
  chosen: boolean;
  /** Its fasteners were counted on the car. */
  counted: boolean;
  /** A run of a cut of which something was said by itself. */
  alone?: boolean | undefined;
}

const WAYS: Readonly<Record<string, readonly Closing[]>> = {
  cut: ['butt', 'lap', 'joggle'],
  // Between the sections of a piece that went in parted.
  seam: ['butt', 'lap', 'joggle'],
  spot: ['plug', 'spot', 'butt'],
  braze: ['braze', 'plug'],
  hem: ['hem'],
  bolt: ['bolt', 'plug'],
  rivet: ['rivet', 'plug'],
};
/** In which ways can such a joint be closed? A lip or gutter that is spotted to the sheet behind it is welded as well as made. */
export const closingsOf = ({ kind, fasteners }: Pick<JointFacts, 'kind' | 'fasteners'>): readonly Closing[] =>
  WAYS[kind] ?? (fasteners > 0 ? ['plug', 'spot'] : ['make']);

/** Is it joined within the sheet, not along an edge of the panel? */
export const isInSheet = ({ kind }: Pick<JointFacts, 'kind'>): boolean => kind === 'cut' || kind === 'seam';

/** mm. Plugs along a lap or joggle that nobody has set otherwise (T-10). */
export const LAP_PITCH = 35;
/** mm. A choice counts for the stretch that passes it this near: a line may be moved a little without losing it. */
const REACH = 80;
/** Are its welds counted one by one, not by the length? */
const isCounted = (closing: Closing) => ['joggle', 'plug', 'spot', 'bolt', 'rivet'].includes(closing);

/**
 * How is each joint of a piece closed? As a person has said, else as the house does it. A cut of which single runs were
 * said is parted there.
 *
 * @param joints of the piece, lengths mm
 * @param how visible: the sheet is seen; schools of the shop; choices of the person
 * @throws Problem naming the field: a pitch of nothing, a closing that such a joint cannot have
 * Source: common practice, no published source (TRADE: schools of joints; T-10, T-40).
 * @example closedJoints([{ kind: 'cut', name: 'in the sheet', length: 500, fasteners: 0, line: [[0, 0], [500, 0]] }], { visible: true }).map(({ closing, welds }) => [closing, welds]) // → [["butt", 0]]
 */
export function closedJoints(
  joints: readonly PieceJoint[],
  {
    visible,
    schools = schoolDefaults,
    choices = [],
  }: { visible: boolean; schools?: Schools; choices?: readonly JointChoice[] },
): ClosedJoint[] {
  const [alone, said] = [
    choices.filter((one) => one.alone),
    ownersOf(
      joints,
      choices.filter((one) => !one.alone),
    ),
  ];
  const parts = joints.flatMap((joint, i) =>
    partedByRuns(joint, alone, REACH).map((part) => ({ ...part, choice: part.alone ?? said.get(i) })),
  );
  return parts.map(({ joint: asBuilt, alone: own, choice }): ClosedJoint => {
    if (choice?.found !== undefined) finite('found', choice.found, { min: 0, max: 2000 });
    const joint = { ...asBuilt, fasteners: choice?.found ?? asBuilt.fasteners };
    const ways = closingsOf(asBuilt);
    const usual = isInSheet(joint) ? (visible ? schools.seen : schools.hidden) : schools.flange;
    const closing = choice?.closing ?? (ways.includes(usual) ? usual : ways[0]!);
    if (!ways.includes(closing))
      refuse('unknown-closing', 'closing', `Such a joint is closed by ${ways.join(', ')}; choose one of these.`);
    if (choice?.pitch !== undefined) finite('pitch', choice.pitch, { min: 10, max: 500, unit: 'mm' });
    const weldPitch = isCounted(closing) ? (choice?.pitch ?? joint.pitch ?? LAP_PITCH) : undefined;
    return {
      ...joint,
      closing,
      weldPitch,
      // As many as there were, where nothing is said of their distance.
      welds:
        weldPitch === undefined
          ? closing === 'hem'
            ? joint.fasteners || hemWelds(joint.length)
            : 0
          : choice?.pitch === undefined && joint.fasteners > 0
            ? joint.fasteners
            : Math.max(1, Math.round(joint.length / weldPitch)),
      chosen: choice?.closing !== undefined || choice?.pitch !== undefined,
      counted: choice?.found !== undefined,
      ...(own ? { alone: true } : {}),
    };
  });
}

/** The joint to which each choice belongs: of its kind the one that passes nearest, near enough; the last word counts. */
export function ownersOf<C extends Pick<JointChoice, 'at' | 'kind'>>(
  joints: readonly Pick<PieceJoint, 'kind' | 'line'>[],
  choices: readonly C[],
): Map<number, C> {
  const owners = new Map<number, C>();
  for (const choice of choices) {
    const near = joints
      .map(({ kind, line }, i) => ({ i, kind, far: toLine(choice.at as Point, line) }))
      .filter(({ kind, far }) => kind === choice.kind && far <= REACH)
      .sort((a, b) => a.far - b.far)[0];
    if (near) owners.set(near.i, choice);
  }
  return owners;
}

/** The place by which a choice keeps to its stretch: the middle of its line. */
export const placeOf = ({ line }: Pick<PieceJoint, 'line'>): Point => pointAt(line, lineLength(line) / 2);

/** Of the low edge of a hollow, by the school of the shop. */
const LOW: Readonly<Record<Metalwork['lowEdge'], string>> = {
  open: 'It is the low edge of a hollow: no weld and no sealer from end to end here, so that water runs out.',
  shut: 'It is the low edge of a hollow and is sealed from end to end here: water that gets in can leave by the drains alone, so keep every one of them open.',
};

/** What to look out for where a joint is closed so, each in a sentence; low: the school of the shop where it is the low edge of a hollow. mm. */
export function closingNotes(
  { closing, line, kind }: ClosedJoint,
  {
    mounts,
    radius,
    low,
  }: { mounts: readonly { at: Point; name: string }[]; radius: number; low?: Metalwork['lowEdge'] | undefined },
): string[] {
  const out: string[] = low ? [LOW[low]] : [];
  const overlaps = closing === 'lap' || closing === 'joggle';
  if (overlaps)
    out.push(
      'An overlap holds water: the lower sheet lies outside so that water runs over it, both faces are coated before it closes, and it is sealed.',
    );
  const near = overlaps ? mounts.filter(({ at }) => toLine(at, line) < radius) : [];
  for (const name of new Set(near.map((mount) => mount.name)))
    out.push(
      `It lies within ${radius} mm of a mount (${name}), where an overlap may not count: butt it, or ask a qualified person.`,
    );
  if (kind === 'spot' && closing === 'butt')
    out.push(
      'The old lip stays and the piece is butted to it: about 12 mm of sound lip is enough to weld to, one thinned by grinding is not.',
    );
  if ((kind === 'bolt' || kind === 'rivet') && closing === 'plug')
    out.push('Welded it cannot be taken off again; steel and aluminium are never welded to one another.');
  return out;
}
