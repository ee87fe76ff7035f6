import type { Href } from 'expo-router';
import { memo } from 'react';
import { parseStored } from '@core/session/parseSession';
import { standardTrack } from '@core/venue/venue';
import { usePaceNames } from '../data/useSquad';
import type { ListedSession } from '@core/api/answers';
import { dayName, today } from '../ui/days';
import { LapThumb } from '../ui/lapSheet/LapThumb';
import { ListRow } from '../ui/ListRow';
import { mainPart, viewSession } from '../data/sessionView';

type Props = { session: ListedSession; href: Href; chosen?: boolean; marked?: boolean };

/** A session in a list: its day, its main part in shorthand, and its lap sheet as a thumbnail. */
export const SessionRow = memo(function SessionRow({
  session,
  href,
  chosen = false,
  marked = session.date === today(),
}: Props) {
  const parsed = parseStored(session.shorthand, { paceNames: usePaceNames() });
  const view = parsed.ok ? viewSession(parsed.session) : undefined;
  const what = parsed.ok
    ? mainPart(parsed.session)
    : session.shorthand.trim()
      ? 'draft, cannot be read yet'
      : 'nothing written yet';
  return (
    <ListRow
      href={href}
      title={session.title}
      detail={`${dayName(session.date)} · ${what}`}
      aside={view && <LapThumb sections={view.sections} venue={standardTrack} finishLegs={view.finishLegs} />}
      chosen={chosen}
      marked={marked}
    />
  );
});
