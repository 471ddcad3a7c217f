import type { JobView, StepView } from '@aspecta/contract/job';
import { forecast } from '@aspecta/core/plan';
import { isPast, jobSteps, standingOf, type JobStep, type StepStanding, type StepWord } from '@aspecta/core/job';
import type { StepWordRow } from './entities.ts';
import type { Gathered } from './gather.ts';

/** The steps of a car with how each stands: made from its decisions, then what was said of them laid over. */
export function jobView({ input, words, own, clocks }: Gathered, now: Date): JobView {
  const said = new Map(words.map((row) => [row.step, row]));
  // What somebody says to have done of a step counts like what is ticked at its station.
  const steps = jobSteps(input).map((step) => ({
    ...step,
    share: Math.max(step.share, said.get(step.id)?.share ?? 0),
  }));
  const standings = standingOf(steps, new Map(words.map((row) => [row.step, wordOf(row)])), now.getTime());
  const titles = new Map(steps.map(({ id, title }) => [id, title]));
  const added = new Map(own.map((row) => [row.id, row]));
  const views = steps.map((step): StepView =>
    stepView(step, standings.get(step.id)!, {
      titles,
      said: said.get(step.id),
      own: added.get(step.id),
      clocks: clocks.filter((clock) => clock.step === step.id),
    }),
  );
  const work = views.filter(({ waits }) => !waits);
  const sum = (of: (step: StepView) => number) => work.reduce((all, step) => all + of(step), 0);
  const toSignOff = input.repairs
    .filter(({ id, done }) => {
      const own = views.filter(({ repair }) => repair === id);
      return !done && own.length > 0 && own.every(({ state }) => isPast(state));
    })
    .map(({ id }) => id);
  return { steps: views, hours: sum(({ hours }) => hours), left: sum(leftOf), pace: paceOf(work), toSignOff };
}

/** What the steps took of which that is noted, and what is left at this pace (earned value). */
function paceOf(work: readonly StepView[]): JobView['pace'] {
  const timed = work.filter(({ said }) => (said?.spent ?? 0) > 0);
  if (timed.length === 0) return null;
  const doneShare = (step: StepView) => (step.hours > 0 ? 1 - leftOf(step) / step.hours : 1);
  const { expected, spent } = forecast({
    tasks: work.map((step) =>
      timed.includes(step)
        ? { planned: step.reckoned, done: doneShare(step), spent: step.said!.spent! }
        : // What was done without a note of its hours says nothing of the pace.
          { planned: leftOf(step), done: 0, spent: 0 },
    ),
  });
  return {
    steps: timed.length,
    planned: timed.reduce((sum, step) => sum + step.reckoned * doneShare(step), 0),
    spent,
    left: expected === null ? null : expected - spent,
  };
}

/** Hours of work that are left of a step. */
export const leftOf = ({ state, hours, share }: Pick<StepView, 'state' | 'hours' | 'share'>): number =>
  isPast(state) ? 0 : hours * (1 - share);

const wordOf = ({ state, at, until }: StepWordRow): StepWord => ({
  state,
  at: at.getTime(),
  until: until === null ? null : Date.parse(`${until}T00:00:00Z`),
});

function stepView(
  { after: _after, ...step }: JobStep,
  standing: StepStanding,
  {
    titles,
    said,
    own,
    clocks,
  }: {
    titles: ReadonlyMap<string, string>;
    said: StepWordRow | undefined;
    own: Gathered['own'][number] | undefined;
    clocks: Gathered['clocks'];
  },
): StepView {
  return {
    ...step,
    reckoned: step.hours,
    hours: said?.hours ?? step.hours,
    state: standing.state,
    waitsFor: standing.open.map(({ id, why }) => ({ id, title: titles.get(id) ?? id, why })),
    at: standing.at === null ? null : new Date(standing.at).toISOString(),
    said: said
      ? {
          state: said.state,
          reason: said.reason,
          until: said.until,
          notBefore: said.notBefore,
          hours: said.hours,
          spent: said.spent,
          share: said.share,
          by: said.by,
          at: said.at.toISOString(),
        }
      : null,
    own: own ? { after: own.after, before: own.before ?? [], version: own.version } : null,
    clocks: clocks.map(({ personId, by, since }) => ({ personId, by, since: since.toISOString() })),
  };
}
