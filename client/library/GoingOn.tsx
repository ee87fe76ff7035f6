import { View } from 'react-native';
import type { ChainLink, Progression } from '@core/library/librarySession';
import { LEVER_WORDS } from '@core/library/leverWords';
import { SPACE } from '../ui/theme';
import { TickRow } from '../ui/TickRow';
import { Text } from '../ui/Text';
import { ChainFields } from '../parts/ChainFields';
import { chainText } from '../parts/chainText';

type Props = {
  stored: Progression;
  put: (part: { chain?: ChainLink[] | undefined; round?: number | undefined }, noticeText: string) => Promise<void>;
};

/** How a progression goes on when its last step is done: by levers one after the other, or from the start again, faster. */
export function GoingOn({ stored, put }: Props) {
  const { chain = [], round, lever, stepIds } = stored;
  const putChain = (next: ChainLink[]) =>
    void put(
      { chain: next.length === 0 ? undefined : next },
      next.length === 0 ? 'It goes on by its own lever.' : `It goes on: ${chainText(next)}.`,
    );
  return (
    <View role="region" aria-label="After the last step" style={{ gap: SPACE.m }}>
      <Text as="heading" level={2}>
        After the last step
      </Text>
      <TickRow
        label="Run all steps again, a little faster"
        checked={round !== undefined}
        onChange={(checked) =>
          void put(
            { round: checked ? stepIds.length : undefined },
            checked
              ? 'When all steps are done they come again, a second a lap faster.'
              : 'It does not begin again when it is done.',
          )
        }
      />
      {round === undefined && (
        <>
          <Text as="small" quiet>
            {chain.length === 0
              ? `It goes on by its own lever: ${LEVER_WORDS[lever].toLowerCase()}.`
              : 'Levers one after the other, each until it comes to its end.'}
          </Text>
          <ChainFields chain={chain} lever={lever} put={putChain} />
        </>
      )}
    </View>
  );
}
