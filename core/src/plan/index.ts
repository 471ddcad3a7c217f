export { criticalPath, type TaskTimes } from './criticalPath.ts';
export { schedule, type Schedule, type ScheduleInput, type ScheduleTask } from './schedule.ts';
export type { Link, LinkKind, Task } from './tasks.ts';
