import { router } from 'expo-router';
import { useRef, useState } from 'react';
import { ulid } from 'ulid';
import { inverseOfLibraryChange } from '@core/library/libraryChange';
import type { LibraryChange, Lever } from '@core/library/librarySession';
import type { DayPlan } from '@core/planning/dayPlan';
import { titleFor, type NextPlan } from '@core/planning/nextPlan';
import { parseStored } from '@core/session/parseSession';
import { sessionName } from '@core/session/sessionName';
import { changeSeason } from '@core/season/changes';
import { NEXT_STEPS } from '@core/run/events';
import type { ReadRun } from '../useReview';
import { takeBackAll, type TakeBack } from '../../data/takeBackAll';
import type { StoredLibraryView } from '../../data/useLibrary';
import type { ScheduledSession } from '@core/api/answers';
import {
  troubleText,
  useChangeLibraryMutation,
  usePutDayPlanMutation,
  usePutSeasonMutation,
  usePutSessionMutation,
  useRemoveSessionMutation,
} from '../../store/api';
import { store } from '../../store/store';
import { dayInText, today } from '../../ui/days';
import { useNotice } from '../../ui/Notices';
import { librarySteps } from './librarySteps';
import type { Next } from './useNext';
import type { Turn } from './useTurns';

/** A plan whose versions that are in the library by now say so. */
const withIds = (plan: DayPlan, idOf: (shorthand: string) => string | undefined): DayPlan => ({
  ...plan,
  ...(plan.groups
    ? {
        groups: plan.groups.map((group) => {
          const libraryId = group.libraryId ?? (group.version === undefined ? undefined : idOf(group.version));
          return { ...group, ...(libraryId === undefined ? {} : { libraryId }) };
        }),
      }
    : {}),
});

/** Returns the name made from a session's text; undefined if the text cannot be read. */
const nameOf = (shorthand: string): string | undefined => {
  const parsed = parseStored(shorthand);
  return parsed.ok ? sessionName(parsed.session) : undefined;
};

/** Takes back what was decided by the session that it was written into. */
function takeBackDecided({ plan, correct }: ReadRun, sessionId: string): void {
  const { run } = store.getState().trackside;
  for (const event of run?.plan.id === plan.id ? run.events : [])
    if (event.type === 'nextStep' && event.sessionId === sessionId) correct({ type: 'undone', eventId: event.id });
}

/**
 * Writes the next session: new steps into the library, the session on its day, its plan, and the decisions into the log of the run. All or
 * nothing, with one Undo.
 */
export function useWriteNext(
  read: ReadRun,
  next: Next,
  { library, turns }: { library: StoredLibraryView; turns: readonly Turn[] },
) {
  const [isWriting, setWriting] = useState(false);
  // Two taps may come before the first re-render.
  const isBusy = useRef(false);
  const [trouble, setTrouble] = useState<string>();
  const [changeLibrary] = useChangeLibraryMutation();
  const [putSession] = usePutSessionMutation();
  const [putPlan] = usePutDayPlanMutation();
  const [remove] = useRemoveSessionMutation();
  const [putSeason] = usePutSeasonMutation();
  const notice = useNotice();

  const write = async (plan: NextPlan, begins?: { lever: Lever; name: string }): Promise<string | undefined> => {
    const { session, progression, placed, date } = next;
    const { title, intent } = session ?? read.plan;
    const libraryId = session?.libraryId;
    const steps = librarySteps({
      placed,
      ...(progression ? { progression } : {}),
      sessions: library.sessions,
      ran: {
        title,
        shorthand: read.plan.shorthand,
        ...(libraryId === undefined ? {} : { libraryId }),
        ...(intent ? { intent } : {}),
      },
      ...(begins ? { begins } : {}),
      newId: ulid,
    });
    const undone: TakeBack[] = [];
    const failed = async (error: unknown) => {
      const { error: left } = await takeBackAll(undone);
      return `${troubleText(error)} ${left ? 'A part was written before that, and could not be taken back.' : 'Nothing was written.'}`;
    };
    if (steps) {
      const sent = await changeLibrary(steps.change);
      if (sent.error) return failed(sent.error);
      const before: LibraryChange = inverseOfLibraryChange(steps.change, library);
      undone.push(() => changeLibrary(before));
    }
    if (session && steps?.ranId !== undefined) {
      const sent = await putSession({ ...session, libraryId: steps.ranId });
      if (sent.error) return failed(sent.error);
      undone.push(() => putSession(session));
    }
    const mainId = plan.libraryId ?? steps?.idOf(plan.shorthand);
    const added = steps?.change.sessions?.find(({ id }) => id === mainId);
    const written: ScheduledSession = {
      id: ulid(),
      title:
        library.sessions.find(({ id }) => id === mainId)?.title ??
        added?.title ??
        titleFor(title, read.plan.shorthand, plan.shorthand, nameOf),
      date,
      shorthand: plan.shorthand,
      ...(session?.startTime === undefined ? {} : { startTime: session.startTime }),
      ...(intent ? { intent } : {}),
      ...(session?.arc ? { arc: session.arc } : {}),
      ...(mainId === undefined ? {} : { libraryId: mainId }),
    };
    const sent = await putSession(written);
    if (sent.error) return failed(sent.error);
    undone.push(() => remove(written.id));
    if (Object.keys(plan.plan).length > 0) {
      const kept = await putPlan({
        sessionId: written.id,
        plan: withIds(plan.plan, (shorthand) => steps?.idOf(shorthand)),
      });
      if (kept.error) return failed(kept.error);
    }
    // Written for the day of its thread's next turn, it is that turn.
    for (const { laid } of turns.filter((turn) => turn.next === date)) {
      const change = { kind: 'adopt' as const, date, sessionId: written.id, isTurn: true as const };
      const kept = await putSeason({
        id: laid.id,
        version: laid.version,
        season: changeSeason(laid.season, change, today()),
      });
      if (kept.error) return failed(kept.error);
      const { version } = kept.data;
      undone.push(() => putSeason({ id: laid.id, version, season: laid.season }));
    }
    for (const step of NEXT_STEPS) {
      const athleteIds = placed.flatMap((candidate) => (candidate.step === step ? [candidate.athleteId] : []));
      if (athleteIds.length > 0) read.correct({ type: 'nextStep', athleteIds, step, sessionId: written.id });
    }
    undone.push(() => takeBackDecided(read, written.id));
    router.push(`/sessions/plan/${written.id}`);
    notice({
      text: `“${written.title}” is written for ${dayInText(date)}.`,
      undo: () => {
        router.replace(`/results/${read.plan.id}/next`);
        return takeBackAll(undone);
      },
    });
    return undefined;
  };

  return {
    trouble,
    isWriting,
    write: async (...asked: Parameters<typeof write>) => {
      if (isBusy.current) return;
      isBusy.current = true;
      setWriting(true);
      const refused = await write(...asked).finally(() => {
        isBusy.current = false;
        setWriting(false);
      });
      setTrouble(refused);
    },
  };
}
