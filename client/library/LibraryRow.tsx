import type { Href } from 'expo-router';
import { memo } from 'react';
import { View } from 'react-native';
import type { LibraryEntry } from '@core/library/searchLibrary';
import { standardTrack } from '@core/venue/venue';
import { Icon } from '../ui/icons/Icon';
import { LapThumb } from '../ui/lapSheet/LapThumb';
import { ListRow } from '../ui/ListRow';
import { usePalette } from '../ui/theme';
import { viewSession, type SessionView } from '../data/sessionView';
import { useLengthUnit } from '../data/useLengthUnit';
import { entryAbout } from './libraryText';
import type { LibraryUse } from '../data/useLibrary';

/** Each session is laid out once, however often its row comes and goes while somebody types. */
const views = new WeakMap<LibraryEntry, SessionView>();

function viewOf(entry: LibraryEntry): SessionView | undefined {
  if (!entry.tree) return undefined;
  const cached = views.get(entry);
  if (cached) return cached;
  const made = viewSession(entry.tree);
  views.set(entry, made);
  return made;
}

type Props = { entry: LibraryEntry; use: LibraryUse; href: Href };

/** A session in the library in a list: what kind it is, how long, when it was last used, and its lap sheet as a thumbnail. */
export const LibraryRow = memo(function LibraryRow({ entry, use, href }: Props) {
  const palette = usePalette();
  const unit = useLengthUnit();
  const view = viewOf(entry);
  return (
    <ListRow
      href={href}
      title={entry.session.title}
      detail={entryAbout(entry, use, unit)}
      aside={
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          {entry.session.favourite && <Icon name="star" color={palette.ink} size={20} />}
          {view && <LapThumb sections={view.sections} venue={standardTrack} finishLegs={view.finishLegs} />}
        </View>
      }
    />
  );
});
