import { isPast } from '@aspecta/core/job';
import { panelOf } from '@aspecta/core/body';
import type { JobView, StepView } from '@aspecta/contract/job';
import { DressService } from '../dress/service.ts';
import { WayService } from '../way/service.ts';
import type { Station, StationStanding } from '../station.ts';
import { URGENCY } from '../board/urgency.ts';
import { GarageService, type OwnVehicle } from '../garage/service.ts';
import { CloseService } from '../close/service.ts';
import { FitService } from '../fit/service.ts';
import { HoldService } from '../hold/service.ts';
import { OwnStepEntity, StepClockEntity, StepWordEntity } from './entities.ts';
import { jobRoutes } from './routes.ts';
import { JobService } from './service.ts';

/** What has to be done, in which order, and why. */
export const job: Station = {
  name: 'job',
  entities: [StepWordEntity, OwnStepEntity, StepClockEntity],
  serve: (house) => [
    new JobService(house.db, house.the(GarageService), {
      hold: house.the(HoldService),
      fits: house.the(FitService),
      ways: house.the(WayService),
      dress: house.the(DressService),
      closes: house.the(CloseService),
    }),
  ],
  addresses: (house) => [{ router: jobRoutes(house.the(JobService)) }],
  standing: async (house, vehicles) => {
    const views = await house.the(JobService).views(vehicles);
    return new Map(vehicles.map((vehicle) => [vehicle.id, standingOf(vehicle, views.get(vehicle.id)!)]));
  },
  report: async (house, vehicle, reader) => {
    const { steps, left } = (await house.the(JobService).views([vehicle])).get(vehicle.id)!;
    if (steps.length === 0) return [];
    const open = steps.filter(({ state }) => state === 'ready' || state === 'blocked');
    const lines = open.map(
      ({ title, state, said }) => `${title}${state === 'blocked' ? ` (blocked: ${said?.reason})` : ''}`,
    );
    return [
      {
        title: 'What can be done next',
        lines: [...lines, ...(reader === 'customer' ? [] : [`About ${left.toFixed(1)} h of work are left.`])],
      },
    ];
  },
};

/** Work on the car itself: what is decided, ordered or measured is asked for by the stations that do it. */
const ELSEWHERE: ReadonlySet<StepView['kind']> = new Set(['decide', 'order', 'check', 'find']);

function standingOf(vehicle: OwnVehicle, { steps, toSignOff }: JobView): StationStanding {
  const ready = steps.filter(({ state }) => state === 'ready');
  const left = steps.filter(({ state }) => !isPast(state));
  const signOff = steps.find(({ repair }) => repair !== null && toSignOff.includes(repair))?.panel;
  const next = begunFirst(ready.filter(({ kind }) => !ELSEWHERE.has(kind)));
  return {
    word:
      steps.length === 0
        ? 'no work yet'
        : left.length > 0
          ? `${ready.length} can be done`
          : toSignOff.length > 0
            ? `${toSignOff.length} to sign off`
            : 'all done',
    waits: ready.length > 0 || toSignOff.length > 0,
    done: steps.length > 0 && left.length === 0 && toSignOff.length === 0,
    path: 'job',
    next: next
      ? { text: textOf(vehicle, next), path: next.path, urgency: URGENCY.job }
      : signedOffNext(vehicle, signOff),
  };
}

/** What is left when all is done: somebody looks once more. */
const signedOffNext = ({ plan }: OwnVehicle, panel: string | null | undefined) =>
  panel
    ? { text: `Look once more at ${panelOf(plan, panel).name}, and sign it off`, path: 'job', urgency: URGENCY.job }
    : undefined;

/** What is begun is finished first. */
const begunFirst = (ready: readonly StepView[]): StepView | undefined =>
  ready.find(({ share }) => share > 0) ?? ready[0];

function textOf({ plan }: OwnVehicle, { kind, panel, title, share, repair }: StepView): string {
  if (kind !== 'weld' || !panel || !repair || share === 0) return title;
  return `Go on with the welds of ${panelOf(plan, panel).name}`;
}
