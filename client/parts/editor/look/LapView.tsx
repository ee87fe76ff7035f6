import { useState } from 'react';
import { View } from 'react-native';
import { legLabel } from '@core/track/lapSheet';
import { placeName, type Venue } from '@core/venue/venue';
import type { TargetLeg } from '@core/targets/targetsFor';
import { formatRecoveryLeg } from '@core/session/formatLeg';
import { formatTime } from '@core/units/time';
import { useVenues, venueById } from '../../../data/useVenues';
import { settings } from '../../../store/settings';
import { useAppDispatch, useAppSelector } from '../../../store/store';
import { LapSheet } from '../../../ui/lapSheet/LapSheet';
import { Select } from '../../../ui/Select';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import { Text } from '../../../ui/Text';
import { totalsOf, type SessionView } from '../../../data/sessionView';
import { useLengthUnit } from '../../../data/useLengthUnit';

/** The venue sessions are drawn for on this device. */
export function useVenue(): Venue {
  const id = useAppSelector((state) => state.settings.venueId);
  return venueById(useVenues(), id);
}

/** Where a leg goes on the lap: `starts at the 200 m start, ends at the finish line`. */
function wayOf({ startM, finishM }: TargetLeg, venue: Venue): string | undefined {
  if (startM === undefined) return undefined;
  const starts = `Starts at ${placeName(venue, startM)}`;
  return finishM === undefined ? `${starts}.` : `${starts}, ends at ${placeName(venue, finishM)}.`;
}

/** What follows a rep: the recovery as written, and the walk to the next start. */
function afterOf(next: TargetLeg | undefined): string | undefined {
  if (next?.kind !== 'recovery') return undefined;
  const { walk } = next;
  const way = walk
    ? ` The next start is ${Math.abs(Math.round(walk.byM))} m ${walk.byM > 0 ? 'on' : 'back'}, at the ${walk.name}.`
    : '';
  return `Then ${formatRecoveryLeg(next)}.${way}`;
}

/** What there is to know about one rep: where it goes, in what time, and what follows. */
function LegFacts({ view, index, whose }: { view: SessionView; index: number; whose: string | undefined }) {
  const palette = usePalette();
  const leg = view.legs[index];
  if (!leg) return null;
  const same = view.legs.flatMap((other, i) =>
    other.kind === leg.kind && other.role === leg.role && !(other.kind === 'rep' && other.drills) ? [i] : [],
  );
  const what = leg.kind === 'recovery' ? 'Recovery' : 'Rep';
  const title = `${what} ${same.indexOf(index) + 1} of ${same.length}: ${legLabel(leg)}${leg.pace ? ` @${leg.pace}` : ''}`;
  const timed = leg.kind === 'rep' && leg.targetS !== undefined && whose !== undefined;
  const expects = leg.expectedM === undefined ? '' : `, about ${Math.round(leg.expectedM / 10) * 10} m`;
  return (
    <View
      role="status"
      style={{
        padding: SPACE.m,
        gap: 2,
        borderRadius: RADIUS,
        borderLeftWidth: 6,
        borderLeftColor: palette.warning,
        backgroundColor: palette.raised,
      }}
    >
      <Text as="strong">{title}</Text>
      {timed && (
        <Text as="small">{`${formatTime(leg.targetS ?? 0, leg.distanceM === undefined ? 0 : 1)} for ${whose}${expects}.`}</Text>
      )}
      {[wayOf(leg, view.venue), leg.kind === 'rep' ? leg.note : undefined, afterOf(view.legs[index + 1])].map(
        (line) =>
          line && (
            <Text as="small" key={line}>
              {line}
            </Text>
          ),
      )}
    </View>
  );
}

type Props = {
  view: SessionView;
  /** Whom it is drawn for, and the others it could be drawn for. */
  whose: string | undefined;
  people: readonly { id: string; name: string }[];
  onWhose: (athleteId: string) => void;
  whoseId: string | undefined;
  /** What the drawing says, or that it is what could last be read. */
  description: string;
};

/** The lap sheet, where it is for, and what there is to know about the rep that is pressed. */
export function LapView({ view, whose, people, onWhose, whoseId, description }: Props) {
  const dispatch = useAppDispatch();
  const venues = useVenues();
  const unit = useLengthUnit();
  const [chosen, setChosen] = useState<number>();
  return (
    <View style={{ gap: SPACE.s }}>
      <View
        style={{
          flexDirection: 'row',
          justifyContent: 'space-between',
          alignItems: 'baseline',
          gap: SPACE.m,
          flexWrap: 'wrap',
        }}
      >
        <Text as="heading" level={2}>
          Lap by lap
        </Text>
        <Text as="small" quiet>
          {description}
        </Text>
      </View>
      <LapSheet
        sections={view.sections}
        venue={view.venue}
        finishLegs={view.finishLegs}
        description={`The session lap by lap on the ${view.venue.name}: ${totalsOf(view, unit)}`}
        chosenLeg={chosen}
        onChoose={(leg) => setChosen(leg === chosen ? undefined : leg)}
      />
      {chosen !== undefined && <LegFacts view={view} index={chosen} whose={whose} />}
      {view.isExpected && (
        <Text as="small" quiet>
          {`Dashed: by the clock, drawn as far as ${whose ?? 'a runner at an easy pace'} should get.`}
        </Text>
      )}
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Select
            label="Drawn on"
            options={venues.map(({ id, name }) => ({ value: id, text: name }))}
            value={view.venue.id}
            onChange={(id) => {
              setChosen(undefined);
              dispatch(settings.actions.venueChosen(id));
            }}
          />
        </View>
        {people.length > 0 && (
          <View style={{ flex: 1, minWidth: 0 }}>
            <Select
              label="Drawn for"
              options={people.map(({ id, name }) => ({ value: id, text: name }))}
              value={whoseId ?? ''}
              onChange={onWhose}
            />
          </View>
        )}
      </View>
    </View>
  );
}
