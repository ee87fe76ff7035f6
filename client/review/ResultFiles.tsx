import { counted } from '@core/units/counted';
import { skipToken } from '@reduxjs/toolkit/query';
import { parseISO } from 'date-fns/parseISO';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ulid } from 'ulid';
import { broughtIn, type BroughtIn } from '@core/formats/broughtIn';
import { readResultsCsv, type ReadResults } from '@core/formats/resultsCsv';
import { listed } from '@core/units/listed';
import { takeToTrack } from '../log/recorder';
import { nowMs } from '../log/trackClock';
import { everyoneIn, type SquadView, useSquad } from '../data/useSquad';
import { useRunsOnQuery } from '../store/api';
import { dayName } from '../ui/days';
import { FilePicker } from '../ui/FilePicker';
import { useNotice } from '../ui/Notices';
import { Page } from '../ui/Page';
import { PrimaryButton } from '../ui/PrimaryButton';
import { SPACE } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { TextField } from '../ui/TextField';

/** Sessions of files have no time of day: in the afternoon, as a rule. */
const START_HOURS = 17;
const startAtMs = (date: string): number => parseISO(date).getTime() + START_HOURS * 3_600_000;

const sameName = (name: string): string => name.trim().toLowerCase();

/** What is in the file, and what of it can be brought in. */
type Looked = { sessions: BroughtIn[]; strangers: string[]; hereAlready: number; problems: string[] };

function look(read: ReadResults & { ok: true }, squad: SquadView, knownIds: ReadonlySet<string>): Looked {
  const members = new Map(everyoneIn(squad).map((athlete) => [sameName(athlete.name), athlete]));
  const athleteCalled = (name: string) => {
    const member = members.get(sameName(name));
    return member && { athleteId: member.id, name: member.name, tileName: member.tileName };
  };
  const all = broughtIn(read.rows, { athleteCalled, newId: () => ulid(), startAtMs, nowMs: nowMs() });
  const sessions = all.filter(({ plan }) => !knownIds.has(`${plan.date} ${plan.title}`));
  const names = [...new Set(read.rows.map(({ athlete }) => athlete))];
  return {
    sessions,
    strangers: names.filter((name) => !athleteCalled(name)),
    hereAlready: all.length - sessions.length,
    problems: read.problems,
  };
}

function lookText({ sessions, strangers, hereAlready }: Looked): string {
  const reps = sessions.reduce((sum, session) => sum + session.reps, 0);
  const n = sessions.length;
  return [
    n === 0
      ? 'There is no session in it to bring in.'
      : `${counted(n, 'session')} with ${counted(reps, 'rep')}: ${listed(sessions.slice(0, 5).map(({ plan }) => `${plan.title}, ${dayName(plan.date)}`))}${n > 5 ? ` and ${n - 5} more` : ''}.`,
    ...(hereAlready > 0
      ? [`${hereAlready} of that day and name ${hereAlready === 1 ? 'is' : 'are'} here already and left out.`]
      : []),
    ...(strangers.length > 0
      ? [
          `Not in the squad, and left out: ${listed(strangers.slice(0, 6))}${strangers.length > 6 ? ' and others' : ''}.`,
        ]
      : []),
  ].join(' ');
}

/** Results brought in from a CSV, as it is saved from here: looked over first. */
export function ResultFiles() {
  const [text, setText] = useState('');
  const [isBusy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const { squad } = useSquad();
  const notice = useNotice();
  const read = useMemo(() => (text.trim() === '' ? undefined : readResultsCsv(text)), [text]);
  const dates = read?.ok ? read.rows.map(({ date }) => date).sort() : [];
  const [from, to] = [dates[0], dates.at(-1)];
  const { data: runs } = useRunsOnQuery(from === undefined || to === undefined ? skipToken : { from, to });
  const looked = useMemo(() => {
    if (!read?.ok || !squad || !runs) return undefined;
    return look(read, squad, new Set(runs.map(({ date, title }) => `${date} ${title}`)));
  }, [read, squad, runs]);
  const bringIn = async (sessions: readonly BroughtIn[]) => {
    setBusy(true);
    setTrouble(undefined);
    try {
      for (const { plan, happened } of sessions) await takeToTrack(plan, happened);
    } catch {
      setBusy(false);
      return setTrouble(
        'This phone would not keep all of them: its storage is full or switched off. What was brought in is in the results; bring the file in again for the rest.',
      );
    }
    notice({ text: `${sessions.length === 1 ? 'One session is' : `${sessions.length} sessions are`} brought in.` });
    router.replace('/results');
  };
  const back = () => router.replace('/results');
  return (
    <Page title="Bring in results" onBack={back} backLabel="Back to all results">
      <FilePicker
        title="A CSV with one row a rep"
        accept=".csv,text/csv"
        onPick={({ bytes }) => setText(new TextDecoder().decode(bytes))}
      >
        As it is saved from a session, an athlete or the squad here. It needs at least date, athlete, rep, a distance or
        a duration, and a time.
      </FilePicker>
      <TextField label="Or paste it" lines={4} value={text.length > 4000 ? '' : text} onChange={setText} />
      {read && !read.ok && <Trouble>{read.message}</Trouble>}
      {looked && (
        <View role="status" style={{ gap: SPACE.s }}>
          <Text>{lookText(looked)}</Text>
          {looked.problems.map((problem) => (
            <Text as="small" key={problem}>
              {problem}
            </Text>
          ))}
        </View>
      )}
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      {looked && looked.sessions.length > 0 && (
        <PrimaryButton main disabled={isBusy} onPress={() => void bringIn(looked.sessions)}>
          Bring them in
        </PrimaryButton>
      )}
    </Page>
  );
}
