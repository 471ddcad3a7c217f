import { ROUGHLY } from './lineWork.ts';
import { PACES, type Minutes } from './paces.ts';

/** One kind of work in an option: how much of it, and how long a piece of it takes. */
export interface Element {
  name: string;
  count: number;
  unit: string;
  /** Minutes for one unit: least, usual, most. */
  minutes: Minutes;
  /** Rule of thumb behind the minutes. */
  rule: string;
}

/** What is known of a joint: which it is, how long, and how it is fastened. Lengths mm. */
export interface JointFacts {
  kind: string;
  length: number;
  fasteners: number;
  /** Sheets that are joined there, this one among them. */
  sheets?: number | undefined;
  /** Its fasteners have to be found first. */
  hidden?: boolean | undefined;
}

/** mm between the small welds that hold a hem: three to five on the side of a door (T-36). */
const HEM_WELDS = 180;
const dm = (mm: number) => mm / 100;
const lengthOf = (joints: readonly JointFacts[]) => dm(joints.reduce((sum, { length }) => sum + length, 0));
const fastenersOf = (joints: readonly JointFacts[]) => joints.reduce((sum, { fasteners }) => sum + fasteners, 0);

/** Held by spot welds: a flange, or a lip or gutter that is spotted to the sheet behind it as well. */
export const isSpotted = ({ kind, fasteners }: JointFacts): boolean =>
  kind === 'spot' || ((kind === 'lip' || kind === 'drip') && fasteners > 0);

/**
 * What has to be done at these joints: opened, cleaned, closed again, and where the piece is made by
 * hand its own edges turned. What is cut within the sheet is not among them.
 *
 * @param joints edges of the panel that the piece takes in, mm
 * @param how visible: welds are dressed fully; made: by hand, not bought with its edges
 * Source: common practice, no published source (T-10, T-22, T-24, T-36, T-37).
 * @example jointWork([{ kind: 'bolt', length: 600, fasteners: 4 }], { visible: true, made: false }).map(({ name, count }) => [name, count]) // → [["Undo and do up bolts", 4]]
 */
export function jointWork(
  joints: readonly JointFacts[],
  { visible, made }: { visible: boolean; made: boolean },
): Element[] {
  const of = (...kinds: string[]) => joints.filter(({ kind }) => kinds.includes(kind));
  const spotted = joints.filter(isSpotted);
  const [brazed, hemmed] = [of('braze'), of('hem')];
  const bare = visible ? 1 : ROUGHLY;
  const row = (name: string, count: number, unit: string, minutes: Minutes, rule: string): Element[] =>
    count > 0 ? [{ name, count, unit, minutes, rule }] : [];
  return [
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
    ...row('Plug or spot weld', fastenersOf(spotted), 'welds', PACES.plug, 'T-10'),
    ...row('Braze', lengthOf(brazed), 'dm', PACES.brazeDm, 'T-43'),
    ...row('Fold hems over in passes', lengthOf(hemmed), 'dm', PACES.hemFoldDm, 'T-36'),
    ...row(
      'Small welds at the hems',
      hemmed.reduce((sum, { length }) => sum + Math.max(1, Math.round(length / HEM_WELDS)), 0),
      'welds',
      PACES.smallWeld,
      'T-36',
    ),
    ...row('Set rivets', fastenersOf(of('rivet')), 'rivets', PACES.rivetIn, 'T-47'),
    ...row(
      'Dress welds',
      lengthOf([...spotted.filter(({ kind }) => kind === 'spot'), ...brazed]) * bare,
      'dm',
      PACES.dressDm,
      'T-34',
    ),
  ];
}

/** Mean hours of counted work, by the PERT mean of least, usual and most (Malcolm et al. 1959). */
export const meanHours = (elements: readonly Element[]): number =>
  elements.reduce(
    (sum, { count, minutes: [least, usual, most] }) => sum + (count * (least + 4 * usual + most)) / 360,
    0,
  );
