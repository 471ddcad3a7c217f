export { calendar } from './calendar.ts';
export type { Calendar, CalendarInput, CalendarLink, CalendarTask, Window } from './calendarTypes.ts';
export { criticalPath, type TaskTimes } from './criticalPath.ts';
export { schedule, type Schedule, type ScheduleInput, type ScheduleTask } from './schedule.ts';
export type { Link, LinkKind, Task } from './tasks.ts';
export { EVERY, incomeBetween, type Every, type Income } from './income.ts';
export { forecast, type Forecast } from './forecast.ts';
export { holdingUp, type HoldingUp, type OutsideHold } from './holdingUp.ts';
export { outlook, type Outlook } from './outlook.ts';
