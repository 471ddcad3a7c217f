import { isAwaited } from '../order/index.ts';
import type { JobHouse, JobStep, OrderedPart, StepKind } from './types.ts';

/** What is bought: ordered, on its way, and held against the car when it is here. */
export function orderSteps(
  of: string,
  {
    name,
    panel,
    repair,
    order: { state, leadHours, missing = false, undated = false, reworkHours = 0 },
    house,
  }: {
    name: string;
    panel: string | null;
    repair: string | null;
    order: OrderedPart;
    house: JobHouse;
  },
): JobStep[] {
  const ordered = state !== 'wanted';
  const step = (kind: StepKind, title: string, over: Pick<JobStep, 'hours' | 'share'> & Partial<JobStep>): JobStep => ({
    id: `${of} ${kind}`,
    kind,
    repair,
    panel,
    title: `${name}: ${title}`,
    waits: false,
    after: [],
    dry: false,
    needs: [],
    closes: [],
    path: '../../orders',
    recorded: true,
    ...over,
  });
  return [
    missing
      ? // Who else sells it is weighed where it was decided; with that it is in the order book again.
        step('order', 'none is ordered any more: say who sells one, and decide again', {
          ...{ hours: house.order, share: 0, path: `panels/${panel}/verdict?repair=${repair}` },
        })
      : step('order', 'order it', { hours: house.order, share: ordered ? 1 : 0 }),
    step('delivery', waitingFor({ missing, undated }), {
      hours: leadHours,
      share: ordered && !isAwaited(state) ? 1 : 0,
      waits: true,
      after: [{ id: `${of} order`, why: 'It is sent once it is ordered.' }],
    }),
    step('check', 'check the part against the car: size, flanges, holes, hand, thickness', {
      hours: house.check,
      share: state === 'checked' || state === 'fitted' ? 1 : 0,
      after: [{ id: `${of} delivery`, why: 'It has to be here.' }],
    }),
    ...(reworkHours > 0
      ? [
          step('rework', 'put right what was found on the part', {
            hours: reworkHours,
            share: state === 'fitted' ? 1 : 0,
            after: [{ id: `${of} check`, why: 'The check has shown what is wrong with it.' }],
          }),
        ]
      : []),
  ];
}

const waitingFor = ({ missing, undated }: { missing: boolean; undated: boolean }): string => {
  if (missing) return 'on its way, as long as a panel usually takes';
  return undated ? 'on back order without a date, weeks are guessed' : 'on its way';
};
