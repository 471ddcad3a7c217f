import { finite } from '../check.ts';
import { refuse } from '../problem.ts';
import { problemOf } from './calendarInput.ts';
import { answerOf, layingOf } from './calendarLaying.ts';
import type { Calendar, CalendarInput } from './calendarTypes.ts';

/**
 * What becomes of a plan when one of its tasks is put off, or let begin sooner? Everything keeps its
 * order and its people; nothing is searched for, so that it answers while a bar is dragged.
 *
 * @param input what the plan was made of; hours from the beginning
 * @param plan the plan as it stands, made of this input
 * @param move task, and the hour (0 or more) before which it may not begin now; it replaces its own release
 * @returns the plan with all that waits for the task after it; what waited behind it may come sooner
 * @throws Problem `unknown-task`, naming the field; `no-time` and `no-money` as `calendar`
 * Source: serial schedule generation with the order of a known schedule (Kolisch & Hartmann 2006).
 * @example replanned({ tasks: [{ id: 'weld', hours: 1 }], people: { Ada: [[18, 20], [42, 44]] } }, { tasks: { weld: { pieces: [[18, 19]], by: 'Ada' } } }, { task: 'weld', from: 24 }).tasks.weld.pieces // → [[42, 43]]
 */
export function replanned(
  input: CalendarInput,
  plan: Pick<Calendar, 'tasks'>,
  { task, from }: { task: string; from: number },
): Calendar {
  const problem = problemOf(input);
  const { work, names } = problem;
  finite('move.from', from, { min: 0, max: 1e6, unit: 'h' });
  const moved = work.findIndex(({ id }) => id === task);
  if (moved < 0) refuse('unknown-task', 'move.task', `move.task names ${task}, which is no task of this plan.`);
  const spans = work.map(({ id }, i) => {
    const pieces = plan.tasks[id]?.pieces;
    if (!pieces) return refuse('unknown-task', 'plan.tasks', `The plan says nothing of ${id}; make it anew.`);
    return { i, start: i === moved ? from : pieces[0]![0], end: pieces.at(-1)![1] };
  });
  const keys = work.map(() => 0);
  spans.sort((a, b) => a.start - b.start || a.end - b.end).forEach(({ i }, rank) => (keys[i] = rank));
  const who = work.map(({ id, people }) => {
    const person = names.indexOf(plan.tasks[id]!.by ?? '');
    return people.includes(person) ? person : null;
  });
  const free = { ...problem, work: work.map((one, i) => (i === moved ? { ...one, release: from } : one)) };
  const { planOf, mended } = layingOf(free);
  return answerOf(free, mended(planOf({ keys, releases: work.map(() => 0), who })).placed);
}
