import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { ulid } from 'ulid';
import { troubleText, useWriteDayMutation } from '../store/api';
import { useNotice } from '../ui/Notices';
import type { DayEntry } from './weekView';

/** Where a session is taken: planned at home, or to the track. */
export type Way = 'plan' | 'track' | 'write';

const HREF: Record<Way, (sessionId: string) => Href> = {
  plan: (id) => `/sessions/plan/${id}`,
  track: (id) => `/track/ready/${id}`,
  write: (id) => `/sessions/${id}`,
};

/** Opens the session of a day; one that is only laid out is written for real first. */
export function useOpenDay() {
  const [write] = useWriteDayMutation();
  const [isWriting, setWriting] = useState(false);
  const notice = useNotice();
  const open = async ({ session, seasonIds, day }: DayEntry, date: string, way: Way) => {
    if (session) return router.push(HREF[way](session.id));
    const [seasonId] = seasonIds;
    if (seasonId === undefined || !day || isWriting) return;
    setWriting(true);
    const written = await write({ seasonId, date, sessionId: ulid() });
    setWriting(false);
    if (written.error) return notice({ text: troubleText(written.error) });
    router.push(HREF[way](written.data.sessionId));
  };
  return { open, isWriting };
}
