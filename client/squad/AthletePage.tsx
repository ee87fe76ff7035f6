import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import type { Mark } from '@core/fitness/mark';
import { athletePaces } from '@core/squad/athletePaces';
import { weeksRunning, type SquadMember } from '@core/squad/athlete';
import { cautionsFor } from '@core/advice/cautions';
import { isStanding } from '@core/judgement/care';
import { careText } from '@core/judgement/careWords';
import { schoolsOf } from '@core/squad/schools';
import { troubleText } from '../store/api';
import { Choice } from '../ui/Choice';
import { dayInText, today } from '../ui/days';
import { Empty } from '../ui/Empty';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { useWide } from '../ui/useWide';
import { AthleteAbout } from './AthleteAbout';
import { AthleteMarks } from './AthleteMarks';
import { AthletePaces } from './AthletePaces';
import { AthleteSeason } from './AthleteSeason';
import { Cautions } from '../ui/Cautions';
import { NewAthlete } from './NewAthlete';
import { paceBookOf, coursesOf, memberOf, NOBODY, pacesOf, type SquadView, useSquad } from '../data/useSquad';
import { useCare } from '../data/useCare';
import { useSquadChange } from '../data/useSquadChange';
import { LEANING_WORDS, STATUS_WORDS } from '../data/athleteText';

const backToList = () => router.replace('/squad');

const SIDES = [
  { value: 'paces', text: 'Paces' },
  { value: 'marks', text: 'Marks' },
  { value: 'sessions', text: 'Sessions' },
  { value: 'season', text: 'Season' },
  { value: 'about', text: 'About' },
] as const;
/** From here on they fit in one line. */
const FITS_PX = 360;
type Side = (typeof SIDES)[number]['value'];

function aboutText(athlete: SquadMember, squad: SquadView): string {
  const group = squad.settings.groups.find(({ id }) => id === athlete.groupId)?.name;
  const weeks = weeksRunning(athlete, today());
  return [
    ...(athlete.archived ? ['in the archive'] : []),
    ...(athlete.status === 'training' ? [] : [STATUS_WORDS[athlete.status]]),
    ...(group === undefined ? [] : [group]),
    ...(athlete.leaning ? [LEANING_WORDS[athlete.leaning]] : []),
    ...(athlete.bornYear === undefined ? [] : [`born ${athlete.bornYear}`]),
    ...(weeks === undefined || weeks > 52 ? [] : [`${counted(weeks, 'week')} of running`]),
  ].join(' · ');
}

type AthleteProps = { athlete: SquadMember; squad: SquadView; side: string | undefined; story: ReactNode };

function Athlete({ athlete, squad, side: asked, story }: AthleteProps) {
  const wide = useWide();
  const { width } = useWindowDimensions();
  const [side, setSide] = useState<Side>(SIDES.find(({ value }) => value === asked)?.value ?? 'paces');
  const [draft, setDraft] = useState<Mark[]>();
  const [trouble, setTrouble] = useState<string>();
  const { change } = useSquadChange(squad);
  const asOf = today();
  const book = paceBookOf(athlete, squad);
  const paces = pacesOf(athlete, squad, asOf);
  const courses = coursesOf(squad, asOf);
  const { stridesBy } = schoolsOf(squad.settings);
  const draftPaces = useMemo(
    () => (draft ? athletePaces({ ...athlete, marks: draft }, book, asOf, { courses, stridesBy }) : paces),
    [draft, athlete, book, asOf, courses, stridesBy, paces],
  );
  const unset = useMemo(() => {
    const { nudge, ...rest } = athlete;
    return nudge ? athletePaces(rest, book, asOf, { courses, stridesBy }) : paces;
  }, [athlete, book, asOf, courses, stridesBy, paces]);
  // What to keep in mind follows a moment later: the paces come first while a mark is typed.
  const marks = useDeferredValue(draft ?? athlete.marks);
  const care = useCare(squad, asOf)?.of.get(athlete.id);
  const cautions = useMemo(
    () => [
      ...(care ?? [])
        .filter((entry) => !isStanding(entry))
        .map(
          (entry) =>
            `Take care: ${careText(entry, dayInText)}${entry.reason === 'creeping' ? ': an easier week?' : '.'}`,
        ),
      ...cautionsFor({ ...athlete, marks }, asOf),
    ],
    [athlete, marks, asOf, care],
  );

  const put = async (next: SquadMember, noticeText: string) => {
    const done = await change({ athletes: [next] }, noticeText);
    setTrouble(done.ok ? undefined : done.message);
    return done.ok;
  };
  const remove = async () => {
    const done = await change({ removedIds: [athlete.id] }, `${athlete.name} is removed.`);
    if (done.ok) backToList();
    else setTrouble(done.message);
  };

  const sides: Record<Side, ReactNode> = {
    paces: <AthletePaces name={athlete.name} paces={draftPaces} />,
    marks: (
      <AthleteMarks
        athlete={athlete}
        paces={paces}
        draftPaces={draftPaces}
        unset={unset}
        onDraft={setDraft}
        put={put}
      />
    ),
    sessions: story,
    season: <AthleteSeason athlete={athlete} paces={paces} put={put} />,
    about: (
      <AthleteAbout
        athlete={athlete}
        squad={squad}
        change={(next, noticeText) => change({ athletes: [next] }, noticeText)}
        remove={() => void remove()}
      />
    ),
  };
  const beside = side === 'paces' ? 'marks' : side;
  const options = wide ? SIDES.filter(({ value }) => value !== 'paces') : SIDES;
  const choose = (
    <Choice
      label="Side"
      isOneLine={width >= FITS_PX}
      options={options}
      value={wide ? beside : side}
      onChange={(chosen) => {
        setDraft(undefined);
        setSide(chosen);
      }}
    />
  );
  return (
    <Page
      title={athlete.name}
      {...(aboutText(athlete, squad) ? { subtitle: aboutText(athlete, squad) } : {})}
      onBack={backToList}
      backLabel="Back to the squad"
    >
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      {wide ? (
        <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
          <View style={{ flex: 1, minWidth: 0, maxWidth: 400, gap: SPACE.l }}>
            <Cautions list={cautions} />
            {sides.paces}
          </View>
          <View style={{ flex: 1, minWidth: 0, gap: SPACE.l }}>
            {choose}
            {sides[beside]}
          </View>
        </View>
      ) : (
        <>
          {choose}
          {side !== 'about' && <Cautions list={cautions} />}
          {sides[side]}
        </>
      )}
    </Page>
  );
}

type Props = {
  id: string;
  /** The side to begin with, and what they have run. */
  side?: string | undefined;
  story?: ReactNode;
};

/** One athlete: paces, marks, sessions, season, particulars; `id` is `new` for one not yet in the squad. */
export function AthletePage({ id, side, story }: Props) {
  const { squad, error, retry } = useSquad();
  const athlete = squad && memberOf(squad, id);
  if (id === 'new') return <NewAthlete squad={squad ?? NOBODY} />;
  if (squad && athlete) return <Athlete key={id} athlete={athlete} squad={squad} side={side} story={story} />;
  return (
    <Page title="Athlete" onBack={backToList} backLabel="Back to the squad">
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !squad && <Loading />}
      {squad && (
        <Empty title="Not in the squad" action={{ label: 'Go to the squad', onPress: backToList }}>
          There is no athlete at this address. They may have been removed.
        </Empty>
      )}
    </Page>
  );
}
