import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { LapSheet } from '../../../ui/lapSheet/LapSheet';
import { Printed } from '../../../ui/Printed';
import { SmallButton } from '../../../ui/SmallButton';
import { Text } from '../../../ui/Text';
import { totalsOf, type SessionView } from '../../../data/sessionView';
import { useLengthUnit } from '../../../data/useLengthUnit';

type Props = { title: string; shorthand: string; view: SessionView };

/** Prints the session with its lap sheet on a page of its own. */
export function OnPaper({ title, shorthand, view }: Props) {
  const unit = useLengthUnit();
  const [isPrinting, setPrinting] = useState(false);
  const done = useCallback(() => setPrinting(false), []);
  return (
    <View style={{ alignItems: 'flex-start' }}>
      <SmallButton onPress={() => setPrinting(true)}>Print the lap sheet</SmallButton>
      {isPrinting && (
        <Printed label={`${title} on paper`} done={done}>
          <Text as="title">{title}</Text>
          <Text>{shorthand}</Text>
          <LapSheet
            sections={view.sections}
            venue={view.venue}
            finishLegs={view.finishLegs}
            description={`${title} lap by lap on the ${view.venue.name}`}
          />
          <Text as="small">{`${view.venue.name}. ${totalsOf(view, unit)}.`}</Text>
        </Printed>
      )}
    </View>
  );
}
