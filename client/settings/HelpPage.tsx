import { useMemo, type ReactNode } from 'react';
import { View } from 'react-native';
import { parseStored } from '@core/session/parseSession';
import { viewSession } from '../data/sessionView';
import { backOr } from '../ui/backOr';
import { VerdictMark } from '../ui/Delta';
import { LapSheet } from '../ui/lapSheet/LapSheet';
import { ListRow } from '../ui/ListRow';
import { Page } from '../ui/Page';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

const EXAMPLE = '3x800 @5k / 200m jog';

const back = backOr('/settings');

function Example() {
  const view = useMemo(() => {
    const parsed = parseStored(EXAMPLE);
    return parsed.ok ? viewSession(parsed.session) : undefined;
  }, []);
  if (!view) return null;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Text as="strong">{EXAMPLE}</Text>
      <LapSheet {...view} description="Lap sheet of three 800s with a 200 m jog after each" />
      <Text as="small" quiet>
        A row is a lap, from the finish line round to the finish line. A thick band is a rep, a thin line the jog.
      </Text>
    </View>
  );
}

/** The three marks of a time against its target, with what they mean. */
function Marks() {
  const palette = usePalette();
  return (
    <View style={{ gap: SPACE.xs }}>
      {(
        [
          ['early', palette.early, 'quicker than the target'],
          ['on', palette.on, 'on it'],
          ['late', palette.late, 'slower'],
        ] as const
      ).map(([verdict, color, means]) => (
        <View key={verdict} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
          <VerdictMark verdict={verdict} size={14} color={color} />
          <Text>{`${verdict}: ${means}`}</Text>
        </View>
      ))}
    </View>
  );
}

const PARTS: readonly { title: string; says: readonly string[]; drawn?: ReactNode }[] = [
  {
    title: '1. The squad, and its paces',
    says: [
      'Give each athlete one or two marks from races or time trials. A curve through them says what they can run over any distance, and how sure that is: ≈ stands before what is far from any mark.',
      'A pace such as threshold or 5k is read off that curve by a pace book. A book of your own changes what a name means for everybody.',
    ],
  },
  {
    title: '2. A session',
    says: [
      'Write it the way you would on a whiteboard, or put it together by pressing. It is drawn lap by lap as you write, and where it could mean two things you are asked which.',
    ],
    drawn: <Example />,
  },
  {
    title: '3. The plan for the day',
    says: [
      'Plan makes groups of who can run together, sets the starts apart so that one person can time them all, and gives everyone their own targets. Effort says how hard it will feel and what would make it fit.',
      'It goes on paper, one sheet for the squad or a card each, and as a message.',
    ],
  },
  {
    title: '4. At the track',
    says: [
      'Tick off who is here, start, and tap a name as they cross the line. A tap is stored on the phone first and sent when it can be: it survives a lost network and a flat battery.',
      'A time without a name goes on the line bar and is given a name later. Undo takes back the last thing; corrections are in More.',
    ],
    drawn: <Marks />,
  },
  {
    title: '5. What was run',
    says: [
      'Results says what stands out first, then every rep of everybody. What was put right or left out says who did it and when. What the session says about fitness is an offer: it counts when you keep it.',
      'Next writes the next step from what was run, for each group and for whoever needs another.',
    ],
  },
  {
    title: '6. The season',
    says: [
      'Say when the race is; the phases are laid back from it to today. A thread is one kind of session that grows from week to week. Every day can be moved, and nothing that is over or that you pinned moves by itself.',
      'Look at again lists what is unusual, with its reason. It never forbids anything.',
    ],
  },
];

/** How the parts work, in the order of the work. */
export function HelpPage() {
  return (
    <Page title="Help" subtitle="In the order of the work" onBack={back}>
      {PARTS.map(({ title, says, drawn }) => (
        <View key={title} style={{ gap: SPACE.s, maxWidth: 640 }}>
          <Text as="heading" level={2}>
            {title}
          </Text>
          {says.map((sentence) => (
            <Text key={sentence}>{sentence}</Text>
          ))}
          {drawn}
        </View>
      ))}
      <View style={{ maxWidth: 640, marginHorizontal: -SPACE.l }}>
        <ListRow href="/settings/keys" title="Keys" detail="The app by keyboard" />
      </View>
    </Page>
  );
}
