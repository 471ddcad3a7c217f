import { computed, type ComputedRef } from 'vue';
import { rulesWith, usualLimits, type SurveyRules } from '@aspecta/core/survey';
import { useSession } from '../shell/session.ts';

/** By what this shop judges readings: the usual rules with its own limits. */
export function useSurveyRules(): ComputedRef<SurveyRules> {
  const session = useSession();
  // A session that this device has kept from before there were limits has the usual ones.
  return computed(() => rulesWith(session.current?.shop.limits ?? usualLimits));
}
