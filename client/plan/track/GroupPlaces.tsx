import { useMemo } from 'react';
import { View } from 'react-native';
import { legsOfRun, type GroupRun } from '@core/planning/groupTargets';
import { isWork } from '@core/targets/targetsFor';
import { repPlaces } from '@core/track/repPlaces';
import { drawingOf } from '../../data/sessionView';
import { LapSheet } from '../../ui/lapSheet/LapSheet';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import type { Planning } from '../../data/usePlanning';
import { laneText, placesText, walkText } from './trackText';

/** Where one group starts and finishes, rep by rep, and its lap sheet. */
export function GroupPlaces({ planning: { venue }, run }: { planning: Planning; run: GroupRun }) {
  const sheet = useMemo(() => {
    const legs = legsOfRun(run);
    return { legs, drawing: drawingOf(legs, venue) };
  }, [run, venue]);
  const places = repPlaces(sheet.legs, venue, run.group.lane);
  const withoutPlace = sheet.legs.filter((leg) => leg.kind === 'rep' && isWork(leg) && leg.finishM === undefined);
  return (
    <>
      <View style={{ gap: SPACE.xs }}>
        {places.map((place) => (
          <View key={place.from}>
            <Text>{placesText(place)}</Text>
            {place.marks && <Text as="small">{laneText(place) ?? ''}</Text>}
            {place.walk && (
              <Text as="small" quiet={place.walk.takesS <= place.walk.hasS}>
                {walkText(place) ?? ''}
              </Text>
            )}
          </View>
        ))}
        {withoutPlace.length > 0 && (
          <Text as="small" quiet>
            {`${withoutPlace.length} of the reps go by the clock or by effort: where they end is for the legs to say.`}
          </Text>
        )}
      </View>
      <LapSheet {...sheet.drawing} description={`The session of ${run.group.name} lap by lap on the ${venue.name}`} />
    </>
  );
}
