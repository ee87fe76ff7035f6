import { useCallback } from 'react';
import { inverseOfDecision, withDecision, type DayDecision, type DayPlan } from '@core/planning/dayPlan';
import type { ScheduledSession } from '@core/api/answers';
import { api, troubleText, usePutDayPlanMutation } from '../store/api';
import { store } from '../store/store';
import { useNotice } from '../ui/Notices';

/** The plan of a day for which nothing was decided. */
export const UNDECIDED: DayPlan = {};

/** Saves decisions for a session's day: on screen at once, then on the server. */
export function useDecide({ id, plan = UNDECIDED }: ScheduledSession) {
  const [put] = usePutDayPlanMutation();
  const notice = useNotice();
  return useCallback(
    (part: DayDecision, noticeText?: string) => {
      const send = (decided: DayPlan) => put({ sessionId: id, plan: decided });
      const takeBack = () => {
        // Only this decision: later ones stay.
        const { plan: now = UNDECIDED } = api.endpoints.session.select(id)(store.getState()).data ?? {};
        return send(withDecision(now, inverseOfDecision(part, plan)));
      };
      void send(withDecision(plan, part)).then(({ error }) => {
        if (error) notice({ text: `${troubleText(error)} The plan is as it was.` });
        else if (noticeText !== undefined) notice({ text: noticeText, undo: takeBack });
      });
    },
    [id, plan, put, notice],
  );
}
