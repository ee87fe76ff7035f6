import { useState } from 'react';
import { View } from 'react-native';
import { USUAL_HEAT_LIMITS, type HeatLimits } from '@core/squad/heat';
import { INTENT_FACTS } from '@core/session/intent';
import {
  SHIPPED_GUIDES,
  USUAL_SOURCE,
  type GuideShare,
  type VolumeGuide,
  type VolumeGuides,
} from '@core/squad/volumeGuides';
import {
  REST_END_NOTES,
  MANNER_NOTES,
  PROGRESS_NOTES,
  STRIDES_NOTES,
  schoolsOf,
  type Schools,
} from '@core/squad/schools';
import { useSquad, type SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';
import { troubleText } from '../store/api';
import { backOr } from '../ui/backOr';
import { Choice } from '../ui/Choice';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { SmallButton } from '../ui/SmallButton';
import { Stepper } from '../ui/Stepper';
import { SPACE, usePalette } from '../ui/theme';
import { Trouble } from '../ui/Trouble';
import { Text } from '../ui/Text';
import { BandSteppers, PulseBands } from './PulseBands';
import { WhatIs } from '../parts/WhatIs';

const back = backOr('/sessions');

function whomText({ for: audience }: GuideShare): string {
  switch (audience.kind) {
    case 'age':
      return `under ${audience.under}`;
    case 'experience':
      return audience.underWeeks % 52 === 0 ? 'in the first year' : `in the first ${audience.underWeeks} weeks`;
    case 'event':
      return `runs ${audience.leaning}`;
    case 'volume':
      return `under ${audience.underKm} km a week`;
  }
}

const OWN = 'set by the coach';

const MANNERS = [
  { value: 'stand', text: 'Standing' },
  { value: 'walk', text: 'Walking' },
  { value: 'jog', text: 'Jogging' },
  { value: 'moving', text: 'Keep moving' },
] as const;
const ENDS = [
  { value: 'clock', text: 'The clock' },
  { value: 'distance', text: 'A distance' },
  { value: 'ready', text: 'Ready' },
  { value: 'pulse', text: 'The pulse' },
] as const;
const STRIDES = [
  { value: '400', text: '400 pace' },
  { value: '800', text: '800 pace' },
  { value: 'top-speed', text: 'Top speed' },
] as const;

const PROGRESS = [
  { value: 'more', text: 'More of it' },
  { value: 'faster', text: 'Faster' },
  { value: 'less-rest', text: 'Less rest' },
] as const;

function Guides({ squad }: { squad: SquadView }) {
  const palette = usePalette();
  const { change } = useSquadChange(squad);
  const [trouble, setTrouble] = useState<string>();
  const guides = squad.settings.guides ?? SHIPPED_GUIDES;
  const put = async (next: VolumeGuides | null, noticeText: string) => {
    const done = await change({ guides: next }, noticeText);
    setTrouble(done.ok ? undefined : done.message);
  };
  const heat = squad.settings.heat ?? USUAL_HEAT_LIMITS;
  const putHeat = async (limits: HeatLimits) => {
    const done = await change({ heat: limits }, 'The heat limit is changed.');
    setTrouble(done.ok ? undefined : done.message);
  };
  const schools = schoolsOf(squad.settings);
  const { pulse, progressBy = 'more' } = schools;
  const putSchools = async (part: Partial<Schools>) => {
    const done = await change({ schools: { ...schools, ...part } }, 'The setting is changed.');
    setTrouble(done.ok ? undefined : done.message);
  };
  const setMost = (at: number, to: Partial<VolumeGuide>) =>
    void put(
      { ...guides, most: guides.most.map((guide, i) => (i === at ? { ...guide, ...to, source: OWN } : guide)) },
      'The guide is changed.',
    );
  const setShare = (at: number, share: number) =>
    void put(
      { ...guides, shares: guides.shares.map((guide, i) => (i === at ? { ...guide, share, source: OWN } : guide)) },
      'The guide is changed.',
    );
  const row = {
    flexGrow: 1,
    flexBasis: 250,
    maxWidth: 420,
    paddingBottom: SPACE.s,
    borderBottomWidth: 1,
    borderBottomColor: palette.line,
  };
  // The usual source is named once, above.
  const from = (source: string) =>
    source !== USUAL_SOURCE && (
      <Text as="label" quiet>
        {source}
      </Text>
    );
  return (
    <>
      {trouble !== undefined && <Trouble>{trouble}</Trouble>}
      <Text as="small" quiet>
        So much of each kind, in the reps of main part and fast finish, is much for a grown runner with some years
        behind them. A session that goes over it gets a note, no more: your judgement, local rules and qualified advice
        come first. Where nothing else stands, it is common practice.
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        {guides.most.map((guide, i) => (
          <View key={guide.intent} style={row}>
            {guide.mostM === undefined ? (
              <Stepper
                label={INTENT_FACTS[guide.intent].name}
                value={(guide.mostS ?? 0) / 60}
                text={`${Math.round((guide.mostS ?? 0) / 60)} min`}
                step={2}
                min={4}
                max={240}
                onChange={(minutes) => setMost(i, { mostS: minutes * 60 })}
              />
            ) : (
              <Stepper
                label={INTENT_FACTS[guide.intent].name}
                value={guide.mostM}
                text={`${guide.mostM} m`}
                step={200}
                min={200}
                max={20_000}
                onChange={(mostM) => setMost(i, { mostM })}
              />
            )}
            {from(guide.source)}
          </View>
        ))}
      </View>
      <Text as="heading" level={2}>
        Of that, for someone who
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        {guides.shares.map((guide, i) => (
          <View key={whomText(guide)} style={row}>
            <Stepper
              label={whomText(guide)
                .replace(/^under (.* km)/, 'runs under $1')
                .replace(/^under/, 'is under')
                .replace(/^in/, 'is in')}
              value={Math.round(guide.share * 100)}
              text={`${Math.round(guide.share * 100)} %`}
              step={5}
              min={10}
              max={200}
              onChange={(percent) => setShare(i, percent / 100)}
            />
            {from(guide.source)}
          </View>
        ))}
      </View>
      <Text as="heading" level={2}>
        Heat
      </Text>
      <Text as="small" quiet>
        What it feels like in the shade, from temperature and humidity (heat index). Your club’s or federation’s own
        policy goes before these.
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        <View style={row}>
          <Stepper
            label="Take care from"
            value={heat.careC}
            text={`${heat.careC} °C`}
            step={1}
            min={15}
            max={heat.hardC}
            onChange={(careC) => void putHeat({ ...heat, careC })}
          />
        </View>
        <View style={row}>
          <Stepper
            label="No hard work from"
            value={heat.hardC}
            text={`${heat.hardC} °C`}
            step={1}
            min={heat.careC}
            max={60}
            onChange={(hardC) => void putHeat({ ...heat, hardC })}
          />
        </View>
      </View>
      <Text as="heading" level={2}>
        Recoveries, strides and steps
      </Text>
      <Text as="small" quiet>
        How this squad does it where a session does not say so, and what the builder begins with. Coaches disagree: each
        choice says what it holds.
      </Text>
      <View style={{ gap: SPACE.l, maxWidth: 640 }}>
        <View style={{ gap: SPACE.xs }}>
          <Choice
            label="A rest is spent"
            showLabel
            options={MANNERS}
            value={schools.manner}
            onChange={(manner) => void putSchools({ manner })}
          />
          {from(MANNER_NOTES[schools.manner])}
        </View>
        <View style={{ gap: SPACE.xs }}>
          <Choice
            label="A rest ends by"
            showLabel
            options={ENDS}
            value={schools.restEnds}
            onChange={(restEnds) => void putSchools({ restEnds })}
          />
          {from(REST_END_NOTES[schools.restEnds])}
          {schools.restEnds === 'pulse' && (
            <BandSteppers
              band={pulse}
              labels={['Pulse from', 'Pulse to']}
              most={200}
              put={(band) => void putSchools({ pulse: band })}
            />
          )}
        </View>
        <View style={{ gap: SPACE.xs }}>
          <Choice
            label="Strides by"
            showLabel
            options={STRIDES}
            value={schools.stridesBy}
            onChange={(stridesBy) => void putSchools({ stridesBy })}
          />
          {from(STRIDES_NOTES[schools.stridesBy])}
        </View>
        <View style={{ gap: SPACE.xs }}>
          <Choice
            label="A session grows first by"
            showLabel
            options={PROGRESS}
            value={progressBy}
            onChange={(next) => void putSchools({ progressBy: next })}
          />
          {from(PROGRESS_NOTES[progressBy])}
        </View>
      </View>
      <PulseBands bands={schools.pulseByIntent ?? {}} put={(pulseByIntent) => void putSchools({ pulseByIntent })} />
      {squad.settings.guides && (
        <View style={{ alignItems: 'flex-start' }}>
          <SmallButton onPress={() => void put(null, 'The guides are as they came.')}>
            As they came with the app
          </SmallButton>
        </View>
      )}
    </>
  );
}

/** How much of each kind of work is much, and for whom less: for the coach to change. */
export function GuidesPage() {
  const { squad, error, retry } = useSquad();
  return (
    <Page
      title="Guides and schools"
      onBack={back}
      backLabel="Back"
      aside={<WhatIs terms={['volume guide', 'school', 'recovery']} />}
    >
      {error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : !squad && <Loading />}
      {squad && <Guides squad={squad} />}
    </Page>
  );
}
