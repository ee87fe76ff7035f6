import { counted } from '@core/units/counted';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { layOutSeason } from '@core/season/layout/layOut';
import { isSeasonFor } from '@core/season/kmAWeek';
import { minutesText, slowestOf, tooShortFor, type Slowest } from '@core/season/longestRun';
import { schoolNotes } from '@core/season/templates/schools';
import { emptySeason, seasonFrom } from '@core/season/templates/seasonFrom';
import type { SeasonPlan } from '@core/season/season';
import { phasesInText, seasonTemplates, type SeasonTemplate } from '@core/season/templates/templates';
import type { Club } from '@core/squad/club';
import { daysAfter, daysBetween, isDate } from '@core/units/dayNumber';
import { easyMinPerKm } from '../data/useKmSource';
import { useSquad } from '../data/useSquad';
import { troubleText, usePutSeasonMutation } from '../store/api';
import { dayInText, today } from '../ui/days';
import { Chips } from '../ui/Chips';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { Segments } from '../ui/Segments';
import { Select } from '../ui/Select';
import { SPACE } from '../ui/theme';
import { TextField } from '../ui/TextField';
import { Trouble } from '../ui/Trouble';
import { WhenField } from '../ui/WhenField';
import { Text } from '../ui/Text';
import { SeasonStrip } from './SeasonStrip';
import { weekOf } from './weekView';

const HARD_DAYS = ['1', '2', '3'] as const;
const HARD_WORDS = { '1': 'One', '2': 'Two', '3': 'Three' } as const;
const EMPTY = 'empty';
const EMPTY_WEEKS = 12;
const MOST_DAYS = 700;

/** What is wrong with the day of the race; undefined where nothing is. */
function raceProblem(date: string, firstDay: string): string | undefined {
  if (date === '') return undefined;
  if (!isDate(date)) return 'That is not a day that can be read.';
  const days = daysBetween(firstDay, date);
  if (days < 0) return 'The race is before the first day.';
  return days > MOST_DAYS ? 'That is more than two years off. Begin with a nearer race.' : undefined;
}

/** When the season begins: long enough before the race for the whole template, but not before this week. */
function firstDayFor(date: string, weeks: number, weekStart: Club['weekStart']): string {
  const clubWeek = weekStart ? { weekStart } : {};
  const thisWeek = weekOf(today(), clubWeek);
  if (!isDate(date)) return thisWeek;
  const wanted = weekOf(daysAfter(date, -7 * (weeks - 1)), clubWeek);
  return wanted > thisWeek ? wanted : thisWeek;
}

/** Says what was changed in a template for the people it is for. */
function fittedTo(
  { longRun, schools }: SeasonPlan,
  template: SeasonTemplate | undefined,
  { hardDays, slowest }: { hardDays: string; slowest: Slowest | undefined },
): string[] {
  const most = longRun?.most;
  const isShorter = most !== undefined && template?.longRun && most < template.longRun.most;
  return [
    ...(isShorter && slowest
      ? [
          `Long run at most ${most} km: ${minutesText(most * slowest.minPerKm)} at ${slowest.athlete.tileName}’s easy pace.`,
        ]
      : []),
    ...(schools.isLongHard && Number(hardDays) > 2 ? ['Two hard days, not three: the long run is the third.'] : []),
  ];
}

/** From nothing to a season: when is the race, how many hard days, for whom. */
export function NewSeason() {
  const { squad } = useSquad();
  const [put] = usePutSeasonMutation();
  const [templateId, setTemplateId] = useState(seasonTemplates[0]?.id ?? EMPTY);
  const [raceDay, setRaceDay] = useState('');
  const [raceName, setRaceName] = useState('');
  const [hardDays, setHardDays] = useState<(typeof HARD_DAYS)[number]>('2');
  const [groupIds, setGroupIds] = useState<string[]>([]);
  const [begins, setBegins] = useState<string>();
  const [trouble, setTrouble] = useState<string>();
  const template = seasonTemplates.find(({ id }) => id === templateId);
  const { weekStart } = squad?.settings.club ?? {};
  const firstDay = begins ?? firstDayFor(raceDay, template?.weeks ?? EMPTY_WEEKS, weekStart);
  const problem = raceProblem(raceDay, firstDay);
  const groups = squad?.settings.groups ?? [];
  const slowest = useMemo(() => {
    const forWhom = groupIds.length > 0 ? { groupIds } : {};
    const members = squad?.athletes.filter((athlete) => isSeasonFor(forWhom, athlete)) ?? [];
    return slowestOf(members, (athlete) => squad && easyMinPerKm(athlete, squad, today()));
  }, [squad, groupIds]);
  const season = useMemo((): SeasonPlan | undefined => {
    if (!isDate(firstDay) || problem !== undefined) return undefined;
    const races = isDate(raceDay)
      ? [{ id: 'race-1', date: raceDay, name: raceName.trim() || 'The race', weight: 'A' as const }]
      : [];
    const answers = {
      firstDay,
      races,
      groups: groupIds,
      hardDays: Number(hardDays),
      ...(weekStart ? { weekStart } : {}),
      ...(slowest ? { slowestMinPerKm: slowest.minPerKm } : {}),
    };
    const name = raceName.trim() || template?.name || 'Season';
    return template ? seasonFrom(template, { ...answers, name }) : emptySeason({ ...answers, name }, EMPTY_WEEKS);
  }, [template, firstDay, raceDay, raceName, groupIds, hardDays, weekStart, slowest, problem]);
  const laid = useMemo(() => season && { id: '', version: 0, season, weeks: layOutSeason(season) }, [season]);
  const needsRace = template?.hasRace === true && raceDay === '';
  const said = laid
    ? [...tooShortFor(laid.season, laid.weeks), ...fittedTo(laid.season, template, { hardDays, slowest })]
    : [];
  const save = async () => {
    if (!season) return;
    const id = ulid();
    const sent = await put({ id, version: 0, season });
    if (sent.error) return setTrouble(troubleText(sent.error));
    router.replace(`/season/${id}`);
  };
  return (
    <Page
      title="A new season"
      onBack={() => router.replace('/season')}
      backLabel="Back to the season"
      footer={
        <PrimaryButton main icon="check" disabled={!season || needsRace} onPress={() => void save()}>
          {needsRace ? 'When is the race?' : 'Lay it out'}
        </PrimaryButton>
      }
    >
      <WhenField type="date" label="When is the race?" value={raceDay} onChange={setRaceDay} error={problem} />
      <TextField label="Which race" value={raceName} onChange={setRaceName} placeholder="if it has a name" />
      <View style={{ gap: 4 }}>
        <Text as="label" quiet>
          How many hard days a week?
        </Text>
        <Segments
          who="Hard days a week"
          values={HARD_DAYS}
          words={HARD_WORDS}
          value={hardDays}
          onChange={setHardDays}
        />
      </View>
      {groups.length > 0 && (
        <Chips
          label="For whom? Everyone, where nobody is chosen"
          options={groups.map(({ id, name }) => ({ value: id, text: name }))}
          chosen={groupIds}
          onChange={setGroupIds}
        />
      )}
      <Select
        label="Laid out as"
        value={templateId}
        options={[
          ...seasonTemplates.map(({ id, name }) => ({ value: id, text: name })),
          { value: EMPTY, text: 'Empty: every day by hand' },
        ]}
        onChange={setTemplateId}
      />
      {template && (
        <View style={{ gap: SPACE.xs }}>
          <Text>{template.forWhom}</Text>
          <Text quiet>{template.school}</Text>
          <Text
            as="small"
            quiet
          >{`${phasesInText(template.phases)}${template.hasRace ? ' · race week 1' : ''} (weeks)`}</Text>
        </View>
      )}
      <WhenField type="date" label="First day" value={firstDay} onChange={setBegins} />
      {laid && !needsRace && (
        <View style={{ gap: SPACE.s }}>
          <Text as="heading" level={2}>
            {`${counted(laid.weeks.length, 'week')}, from ${dayInText(laid.season.firstDay)}`}
          </Text>
          <SeasonStrip laid={laid} today={today()} label="Phases and races" />
          {said.map((text) => (
            <Text key={text} as="small">
              {text}
            </Text>
          ))}
          {schoolNotes(laid.season).map((note) => (
            <Text key={note} as="small" quiet>
              {note}
            </Text>
          ))}
        </View>
      )}
      <Text as="label" quiet>
        A plan for people in good health. Pain, illness or poor sleep go before any plan; for young athletes, and for
        whoever comes back from an injury, ask those who know them. Local rules come first.
      </Text>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
    </Page>
  );
}
