import { computed, type ComputedRef } from 'vue';
import { rulesWith, surveyRules, type SurveyRules } from '@aspecta/core/survey';
import { useSession } from '../shell/session.ts';

/** By what this shop judges readings: the usual rules with its own limits. */
export function useSurveyRules(): ComputedRef<SurveyRules> {
  const session = useSession();
  return computed(() => (session.current ? rulesWith(session.current.shop.limits) : surveyRules));
}
