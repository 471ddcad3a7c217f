import { JointService } from '@aspecta/server/repair/service';
import { VerdictService } from '@aspecta/server/verdict/service';
import type { Chapter } from './chapter.ts';

/** How far the drilling has come on the panel that is replaced whole: the first spots are out, two never took. */
export const joints: Chapter = async ({ house, owner, id }) => {
  const whole = (await house.the(VerdictService).list(owner, id)).find(({ choice }) => choice === 'whole');
  if (!whole) return;
  const service = house.the(JointService);
  const ids = (await service.view(owner, whole.id)).fasteners.map((fastener) => fastener.id);
  await service.mark(owner, whole.id, { ids: ids.slice(0, 24), state: 'opened' });
  await service.mark(owner, whole.id, { ids: [ids[9]!, ids[17]!], state: 'loose' });
};
