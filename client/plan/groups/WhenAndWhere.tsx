import { router } from 'expo-router';
import { View } from 'react-native';
import { startNote } from '@core/advice/dayCautions';
import { troubleText, usePutSessionMutation } from '../../store/api';
import { clubNow } from '../../ui/days';
import { Select } from '../../ui/Select';
import { SmallButton } from '../../ui/SmallButton';
import { rem } from '../../ui/rem';
import { SPACE } from '../../ui/theme';
import { useNotice } from '../../ui/Notices';
import { WhenField } from '../../ui/WhenField';
import { Text } from '../../ui/Text';
import type { Planning } from '../../data/usePlanning';

/** Day, start and place of the session. */
export function WhenAndWhere({ planning }: { planning: Planning }) {
  const { session, venue, venues, decide, weather } = planning;
  const [put] = usePutSessionMutation();
  const notice = useNotice();
  const set = async (part: { date?: string; startTime?: string }) => {
    const sent = await put({ ...session, ...part });
    if (sent.error) notice({ text: troubleText(sent.error) });
  };
  const note = startNote(session.date, session.startTime, clubNow());
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-end' }}>
        <View style={{ flexGrow: 1, flexBasis: rem(150), maxWidth: rem(220) }}>
          <WhenField
            type="date"
            label="Day"
            value={session.date}
            // A day half typed is none yet.
            onChange={(date) => date !== '' && void set({ date })}
          />
        </View>
        <View style={{ flexGrow: 1, flexBasis: rem(120), maxWidth: rem(180) }}>
          <WhenField
            type="time"
            label="Starts at"
            value={session.startTime ?? ''}
            onChange={(startTime) => startTime !== '' && void set({ startTime })}
          />
        </View>
        <View style={{ flexGrow: 1, flexBasis: rem(180), maxWidth: rem(280) }}>
          <Select
            label="Place"
            options={venues.map(({ id, name }) => ({ value: id, text: name }))}
            value={venue.id}
            onChange={(venueId) => decide({ venueId }, 'The plan is worked out for another place.')}
          />
        </View>
        <SmallButton onPress={() => router.push('/sessions/places')}>Add or change a place</SmallButton>
      </View>
      {note !== undefined && <Text as="small">{note}</Text>}
      {weather && (
        <Text as="small" quiet>
          {`Forecast: ${Math.round(weather.temperatureC)} °C, ${Math.round(weather.humidityPct)} % humidity${weather.windMps === undefined ? '' : `, wind ${Math.round(weather.windMps)} m/s`}.`}
        </Text>
      )}
    </View>
  );
}
