import { together, type Closing, type Element, type JointFacts } from './joint.ts';
import { lineWork } from './lineWork.ts';
import type { Metalwork } from './metalwork.ts';
import { PACES, ROUGHLY, type Minutes } from './paces.ts';

/** mm between the small welds that hold a hem: three to five on the side of a door (T-36). */
export const HEM_WELDS = 180;
/** How many small welds hold a hem of this length, mm, where nobody has counted them. */
export const hemWelds = (length: number): number => Math.max(1, Math.round(length / HEM_WELDS));
const dm = (mm: number) => mm / 100;
const lengthOf = (joints: readonly JointFacts[]) => dm(joints.reduce((sum, { length }) => sum + length, 0));
const fastenersOf = (joints: readonly JointFacts[]) => joints.reduce((sum, { fasteners }) => sum + fasteners, 0);

/** Held by spot welds: a flange, or a lip or gutter that is spotted to the sheet behind it as well. */
export const isSpotted = ({ kind, fasteners }: JointFacts): boolean =>
  kind === 'spot' || ((kind === 'lip' || kind === 'drip') && fasteners > 0);

/** How a joint is closed: as is said, else as it was built, welded spots by plugs. */
const closingOf = (joint: JointFacts): Closing =>
  joint.closing ?? (isSpotted(joint) ? 'plug' : ((AS_BUILT[joint.kind] ?? 'make') as Closing));
const AS_BUILT: Readonly<Record<string, Closing>> = { braze: 'braze', hem: 'hem', bolt: 'bolt', rivet: 'rivet' };
const weldsOf = (joints: readonly JointFacts[]) =>
  joints.reduce((sum, { welds, fasteners }) => sum + (welds ?? fasteners), 0);

/**
 * What has to be done at these joints: opened, cleaned, closed again, and where the piece is made by
 * hand its own edges turned. What is cut within the sheet is not among them.
 *
 * @param joints edges of the panel that the piece takes in, mm
 * @param how visible: welds are dressed fully; made: by hand, not bought with its edges; finish: by filler where it is left out
 * Source: common practice, no published source (T-10, T-22, T-24, T-36, T-37).
 * @example jointWork([{ kind: 'bolt', length: 600, fasteners: 4 }], { visible: true, made: false }).map(({ name, count }) => [name, count]) // → [["Undo and do up bolts", 4]]
 */
export function jointWork(
  joints: readonly JointFacts[],
  { visible, made, finish = 'filler' }: { visible: boolean; made: boolean; finish?: Metalwork['finish'] },
): Element[] {
  // Where the old lip stays, the piece is butted to it: nothing is drilled, and the joint is one in the sheet.
  const kept = joints.filter((joint) => isSpotted(joint) && joint.closing === 'butt');
  const opened = joints.filter((joint) => !kept.includes(joint));
  const of = (...kinds: string[]) => opened.filter(({ kind }) => kinds.includes(kind));
  const closedBy = (closing: Closing) => opened.filter((joint) => closingOf(joint) === closing);
  const spotted = opened.filter(isSpotted);
  const [brazed, hemmed] = [of('braze'), of('hem')];
  const bare = visible ? 1 : ROUGHLY;
  const fullyMetal = visible && finish === 'metal';
  const row = (name: string, count: number, unit: string, minutes: Minutes, rule: string): Element[] =>
    count > 0 ? [{ name, count, unit, minutes, rule }] : [];
  return together([
    ...row(
      'Find welds under sealer or a flange',
      lengthOf(spotted.filter(({ hidden }) => hidden)),
      'dm',
      PACES.findDm,
      'T-22',
    ),
    ...row('Drill out spot welds', fastenersOf(spotted), 'spots', PACES.drillSpot, 'T-22'),
    ...row(
      'Part the third sheet',
      fastenersOf(spotted.filter(({ sheets = 2 }) => sheets > 2)),
      'spots',
      PACES.drillSpot,
      'T-22',
    ),
    ...row('Melt out brazed joints', lengthOf(brazed), 'dm', PACES.meltDm, 'T-22'),
    ...row('Grind hems through and peel the strip', lengthOf(hemmed), 'dm', PACES.hemOpenDm, 'T-36'),
    ...row('Undo and do up bolts', fastenersOf(of('bolt')), 'bolts', PACES.bolt, 'T-37'),
    ...row('Drill out rivets', fastenersOf(of('rivet')), 'rivets', PACES.rivetOut, 'T-22'),
    ...row('Clean and straighten flanges', lengthOf([...spotted, ...brazed]), 'dm', PACES.flangeDm, 'T-32'),
    ...(made
      ? [
          ...row(
            'Turn flanges',
            lengthOf([
              ...spotted.filter(({ kind }) => kind === 'spot'),
              ...hemmed,
              ...of('fold', 'return', 'rivet', 'bolt'),
            ]),
            'dm',
            PACES.flangeDm,
            'T-24',
          ),
          ...row('Turn lips and gutters', lengthOf(of('lip', 'drip')), 'dm', PACES.lipDm, 'T-24'),
        ]
      : []),
    ...row('Plug or spot weld', weldsOf(closedBy('plug')), 'welds', PACES.plug, 'T-10'),
    ...row('Spot weld from both sides', weldsOf(closedBy('spot')), 'welds', PACES.spotWeld, 'T-10'),
    ...row('Braze', lengthOf(closedBy('braze')), 'dm', PACES.brazeDm, 'T-43'),
    ...row('Fold hems over in passes', lengthOf(hemmed), 'dm', PACES.hemFoldDm, 'T-36'),
    ...row(
      'Small welds at the hems',
      hemmed.reduce((sum, { length, welds }) => sum + (welds || hemWelds(length)), 0),
      'welds',
      PACES.smallWeld,
      'T-36',
    ),
    ...row('Set rivets', weldsOf(closedBy('rivet')), 'rivets', PACES.rivetIn, 'T-47'),
    ...row(
      fullyMetal ? 'Metal-finish welds' : 'Dress welds',
      lengthOf([...closedBy('plug').filter(({ kind }) => !['lip', 'drip'].includes(kind)), ...closedBy('braze')]) *
        bare,
      'dm',
      fullyMetal ? PACES.metalFinishDm : PACES.dressDm,
      'T-34',
    ),
    ...kept.flatMap(({ length }) => lineWork(length, { visible, finish })),
  ]);
}
