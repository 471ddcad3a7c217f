import type { RepairView } from '@aspecta/contract/verdict';
import { put } from '../shell/api.ts';

/** Says that a repair is finished, or that it is not. */
export async function setDone({ id, choice, reason, version }: RepairView, done: boolean): Promise<void> {
  await put<RepairView>(`/repairs/${id}`, { choice, reason, done, version });
}
