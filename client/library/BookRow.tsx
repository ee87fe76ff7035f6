import type { Href } from 'expo-router';
import { memo } from 'react';
import { View } from 'react-native';
import type { BookEntry } from '@core/library/searchBook';
import { standardTrack } from '@core/venue/venue';
import { Icon } from '../ui/icons/Icon';
import { LapThumb } from '../ui/LapSheet';
import { ListRow } from '../ui/ListRow';
import { usePalette } from '../ui/theme';
import { viewSession, type SessionView } from '../data/sessionView';
import { entryAbout } from './bookWords';
import type { BookUse } from '../data/useBook';

/** Each session is laid out once, however often it comes and goes while a word is typed. */
const views = new WeakMap<BookEntry, SessionView>();

function viewOf(entry: BookEntry): SessionView | undefined {
  if (!entry.tree) return undefined;
  const known = views.get(entry);
  if (known) return known;
  const made = viewSession(entry.tree);
  views.set(entry, made);
  return made;
}

type Props = { entry: BookEntry; use: BookUse; href: Href };

/** A session of the book in a list: what kind it is, how long, when it was last used, and its lap sheet as a thumbnail. */
export const BookRow = memo(function BookRow({ entry, use, href }: Props) {
  const palette = usePalette();
  const view = viewOf(entry);
  return (
    <ListRow
      href={href}
      title={entry.session.title}
      about={entryAbout(entry, use)}
      aside={
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          {entry.session.favourite && <Icon name="star" color={palette.ink} size={20} />}
          {view && <LapThumb sections={view.sections} venue={standardTrack} finishLegs={view.finishLegs} />}
        </View>
      }
    />
  );
});
