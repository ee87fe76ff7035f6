import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { LapSheet } from '../../../ui/LapSheet';
import { Printed } from '../../../ui/Printed';
import { SmallButton } from '../../../ui/SmallButton';
import { Words } from '../../../ui/Words';
import type { SessionView } from '../../../data/sessionView';

type Props = { title: string; shorthand: string; view: SessionView };

/** Prints the session with its lap sheet on a page of its own. */
export function OnPaper({ title, shorthand, view }: Props) {
  const [isPrinting, setPrinting] = useState(false);
  const done = useCallback(() => setPrinting(false), []);
  return (
    <View style={{ alignItems: 'flex-start' }}>
      <SmallButton onPress={() => setPrinting(true)}>Print the lap sheet</SmallButton>
      {isPrinting && (
        <Printed label={`${title} on paper`} done={done}>
          <Words as="title">{title}</Words>
          <Words>{shorthand}</Words>
          <LapSheet
            sections={view.sections}
            venue={view.venue}
            finishLegs={view.finishLegs}
            about={`${title} lap by lap on the ${view.venue.name}`}
          />
          <Words as="small">{`${view.venue.name}. ${view.totals}.`}</Words>
        </Printed>
      )}
    </View>
  );
}
