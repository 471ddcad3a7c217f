import type { BodyPlan } from '../body/index.ts';
import type { CoatSystems } from '../close/index.ts';
import { isSettingUp, isUndone, phaseOf, type Metalwork } from '../repair/index.ts';
import type { JobHouse, JobRepair, JobStep, Link, StepKind } from './types.ts';

/** What the steps of a repair rest on beside it and its panel. */
export interface Known {
  body: BodyPlan;
  house: JobHouse;
  /** A panel that is seen is painted after its repair. */
  paints: boolean;
  /** How the shop works on metal. */
  metalwork: Metalwork;
  /** What goes onto each side of the metal. */
  systems: CoatSystems;
}

/** Hours of each step: what was counted for it, stretched so that all of them are what was decided on. */
export function hoursByKind({ work, hours }: Pick<JobRepair, 'work' | 'hours'>): (kind: StepKind) => number {
  const counted = work.reduce((sum, element) => sum + element.hours, 0);
  const stretch = counted > 0 ? hours / counted : 1;
  const by = new Map<StepKind, number>();
  const add = (kind: StepKind, more: number) => by.set(kind, (by.get(kind) ?? 0) + more);
  const phases = work.filter(({ name }) => !isSettingUp(name)).map(({ name }) => phaseOf(name) ?? 'fit');
  // Where nothing is welded, tools are laid ready for what is done first.
  const ready = phases.includes('weld') ? 'weld' : (phases[0] ?? 'weld');
  for (const element of work) {
    const kind = isSettingUp(element.name) ? ready : (phaseOf(element.name) ?? 'fit');
    // Bolts are undone when the joint is opened, and done up when it is closed.
    const undone = isUndone(element.name) ? 0.5 : 0;
    add('open', undone * element.hours * stretch);
    add(kind, (1 - undone) * element.hours * stretch);
  }
  // Nothing is known of what it consists of: all of it is in the step that is the repair itself.
  if (counted === 0) by.set('weld', hours);
  return (kind) => by.get(kind) ?? 0;
}

export type Maker = ReturnType<typeof maker>;

/** Makes steps of one repair, leaving out those without work. */
export function maker({ id: repair, done, panel, took }: JobRepair, name: string) {
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

/** What is done with rust that stays, by the school of the shop. */
export const TREATED: Readonly<Record<Metalwork['rust'], string>> = {
  neutralise: 'treat and prime',
  convert: 'convert, and prime over it,',
  blast: 'blast to white metal and prime',
};
/** A converter hardens before anything goes over it. */
export const hardened = (link: Link | false, { house, metalwork }: Pick<Known, 'house' | 'metalwork'>): Link | false =>
  link && link.id.endsWith(' treat') && metalwork.rust === 'convert' ? { ...link, lag: house.convert } : link;

/* Why a step waits for another, where more than one kind of repair says so. */
export const CLEAN = 'What is cut must be seen first.';
export const FITTED = 'A piece is made before it is fitted.';
export const PRIMED = 'Bare metal is primed within its hours, or it rusts again.';
export const DRIES = 'A coat needs its hours before the next one goes on.';
