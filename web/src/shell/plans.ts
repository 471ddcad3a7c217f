import type { OwnPlan, PlanView } from '@aspecta/contract/body';
import type { Vehicle } from '@aspecta/contract/garage';
import { asOnCar, bodyPlan, bodyPlans, type BodyPlan } from '@aspecta/core/body';
import { get } from './api.ts';

/** A body plan: one that Aspecta brings, or the shop's own. */
async function planOf(id: string): Promise<BodyPlan> {
  return bodyPlans().some((plan) => plan.id === id) ? bodyPlan(id) : (await get<OwnPlan>(`/plans/${id}`)).plan;
}

/** The body of a vehicle: its plan, with what this car is where it is not so. */
export const bodyOf = async ({ planId, facts }: Pick<Vehicle, 'planId' | 'facts'>): Promise<BodyPlan> =>
  asOnCar(await planOf(planId), facts);

export const plansToChoose = (): Promise<PlanView[]> => get<PlanView[]>('/plans');
