import { useEffect } from 'react';
import { View } from 'react-native';
import { format } from 'date-fns/format';
import { troubleText, useMakeCodeMutation } from '../../store/api';
import { Loading } from '../../ui/Loading';
import { QrCode } from '../../ui/QrCode';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { Text } from '../../ui/Text';
import type { Run } from '../../log/useRun';
import { Sheet } from './Sheet';

/** How an assistant's phone joins this session: a code that is good once. */
export function SecondPhoneSheet({ run, close }: { run: Run; close: () => void }) {
  const runId = run.plan.id;
  const [make, { data, error }] = useMakeCodeMutation();
  useEffect(() => void make({ runId }), [make, runId]);
  const others = Object.keys(run.state.clocks).filter((device) => device !== run.device);
  const [address] = data?.addresses ?? [];
  return (
    <Sheet title="A second phone" subtitle="An assistant times a group; both boards show the same." close={close}>
      {error ? (
        <Trouble retry={() => void make({ runId })}>{troubleText(error)}</Trouble>
      ) : !data ? (
        <Loading />
      ) : (
        <View style={{ gap: SPACE.m }}>
          <View style={{ flexDirection: 'row', gap: SPACE.l, alignItems: 'center', flexWrap: 'wrap' }}>
            {address !== undefined && (
              <QrCode text={`${address}/join#${data.code}`} size={168} label="QR code to join this session" />
            )}
            <View style={{ gap: SPACE.xs }}>
              <Text as="label">Code</Text>
              <Text as="title">{data.code}</Text>
              <Text as="small">{`For one phone, until ${format(data.untilMs, 'HH:mm')}.`}</Text>
            </View>
          </View>
          {address === undefined ? (
            <Text as="small">
              Other phones cannot reach this server: it was started for this machine only. Start it with HOST and
              ZEST_PASSPHRASE set, as the README says, to time with two phones.
            </Text>
          ) : (
            <Text as="small">{`Scan it, or open ${address}/join on the other phone and type the code.`}</Text>
          )}
          <SmallButton onPress={() => void make({ runId })}>Another code</SmallButton>
        </View>
      )}
      {others.length > 0 && (
        <Text as="small">Another phone has timed here: its clock is compared with the server’s.</Text>
      )}
    </Sheet>
  );
}
