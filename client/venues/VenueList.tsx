import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { VENUES } from '@core/venue/venue';
import { troubleText, usePutVenueMutation, useRemoveVenueMutation, useVenuesQuery } from '../store/api';
import { backOr } from '../ui/backOr';
import { ListRow } from '../ui/ListRow';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useNotice } from '../ui/Notices';
import { Text } from '../ui/Text';

const back = backOr('/sessions');

/** Places to run: the usual ones, and those the coach has measured. */
export function VenueList() {
  const { data: ownVenues, error, refetch } = useVenuesQuery();
  const [put] = usePutVenueMutation();
  const [remove] = useRemoveVenueMutation();
  const notice = useNotice();
  const add = async () => {
    const id = ulid();
    const added = await put({
      id,
      name: `Place ${(ownVenues ?? []).length + 1}`,
      shape: 'lap',
      lengthM: 800,
      marks: [{ atM: 0, name: 'start' }],
    });
    if (added.error) return notice({ text: troubleText(added.error) });
    router.push(`/sessions/places/${id}`);
    notice({
      text: 'A new place: name it and set its marks.',
      undo: () => {
        router.replace('/sessions/places');
        return remove(id);
      },
    });
  };
  return (
    <Page
      title="Places"
      onBack={back}
      backLabel="Back"
      footer={
        <PrimaryButton main icon="plus" onPress={() => void add()}>
          New place
        </PrimaryButton>
      }
    >
      {error ? <Trouble retry={() => void refetch()}>{troubleText(error)}</Trouble> : !ownVenues && <Loading />}
      {ownVenues?.length === 0 && (
        <Text quiet>
          A loop on grass, a measured road, a hill: measure it once, name its marks, and starts and times come by
          themselves.
        </Text>
      )}
      <View role="list" style={{ marginHorizontal: -SPACE.l }}>
        {(ownVenues ?? []).map(({ id, name, shape, lengthM, marks }) => (
          <View role="listitem" key={id}>
            <ListRow
              href={`/sessions/places/${id}`}
              title={name}
              detail={`${shape === 'lap' ? `lap of ${lengthM} m` : `${lengthM} m, there and back`} · ${marks.length} ${marks.length === 1 ? 'mark' : 'marks'}`}
            />
          </View>
        ))}
      </View>
      <View style={{ gap: SPACE.xs }}>
        <Text as="label" quiet level={2}>
          Come with the app
        </Text>
        {VENUES.map(({ id, name, marks, lanes }) => (
          <Text key={id}>{`${name}: ${counted(marks.length, 'mark')}${lanes ? `, ${lanes.count} lanes` : ''}`}</Text>
        ))}
      </View>
    </Page>
  );
}
