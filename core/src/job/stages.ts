import type { StepKind } from './types.ts';

/**
 * How far a panel has come on its way from bare metal to paint: opened, its metal sound again, primed, filled and
 * blocked, in surfacer, painted, with all that is done on it.
 */
export const STAGES = ['opened', 'sound', 'primed', 'filled', 'surfacer', 'painted', 'ready'] as const;
export type Stage = (typeof STAGES)[number];

/** Steps with which a stage is reached; a repair is ready with all of its steps. */
const REACHED_BY: Readonly<Record<Exclude<Stage, 'ready'>, readonly StepKind[]>> = {
  opened: ['open'],
  sound: ['treat', 'weld', 'dress'],
  primed: ['prime', 'cure'],
  filled: ['fill'],
  surfacer: ['surface'],
  painted: ['paint'],
};

/** A step as its stages need it. */
export interface StagedStep {
  kind: StepKind;
  repair: string | null;
  panel: string | null;
  past: boolean;
  /** When it ends by the plan, ms of the clock; null where it is in no plan. */
  end: number | null;
}

export interface Staged {
  repair: string;
  panel: string;
  /** By stage; null where it has none: nothing is painted that nobody sees. */
  stages: Readonly<Record<Stage, { done: boolean; end: number | null } | null>>;
  /** The first that is not reached; null where all are. */
  now: Stage | null;
}

/**
 * From bare metal to paint: which stage has each repair reached, and when does it reach the others?
 *
 * @param steps of a car, those that are past among them
 * @returns one for each repair, in the order of their steps; a stage of which one step is in no plan has no end
 * Source: common practice, no published source (T-19, T-44).
 * @example stagesOf([{ kind: 'weld', repair: 'r', panel: 'sill-l', past: true, end: null }, { kind: 'prime', repair: 'r', panel: 'sill-l', past: false, end: 9 }])[0].now // → 'primed'
 */
export function stagesOf(steps: readonly StagedStep[]): Staged[] {
  const repairs = [...new Set(steps.flatMap(({ repair }) => repair ?? []))];
  return repairs.map((repair) => {
    const own = steps.filter((step) => step.repair === repair);
    const reach = (some: readonly StagedStep[]) => {
      const left = some.filter(({ past }) => !past);
      const ends = left.flatMap(({ end }) => end ?? []);
      return {
        done: left.length === 0,
        end: left.length > 0 && ends.length === left.length ? Math.max(...ends) : null,
      };
    };
    const stages = Object.fromEntries(
      STAGES.map((stage) => {
        const some = stage === 'ready' ? own : own.filter(({ kind }) => REACHED_BY[stage].includes(kind));
        return [stage, some.length === 0 ? null : reach(some)];
      }),
    ) as Staged['stages'];
    const now = STAGES.find((stage) => stages[stage]?.done === false) ?? null;
    return { repair, panel: own[0]!.panel ?? '', stages, now };
  });
}
