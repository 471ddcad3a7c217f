import type { OwnPlan, PlanView } from '@aspecta/contract/body';
import { bodyPlan, bodyPlans, type BodyPlan } from '@aspecta/core/body';
import { get } from './api.ts';

/** The body of a vehicle: one that Aspecta brings, or the shop's own. */
export async function planOf(id: string): Promise<BodyPlan> {
  return bodyPlans().some((plan) => plan.id === id) ? bodyPlan(id) : (await get<OwnPlan>(`/plans/${id}`)).plan;
}

export const plansToChoose = (): Promise<PlanView[]> => get<PlanView[]>('/plans');
