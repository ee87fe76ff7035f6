/** Every part of the interface, in each of its states. */
import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { parseStored } from '@core/session/parseSession';
import { viewSession } from '@client/data/sessionView';
import { Ask } from '@client/ui/Ask';
import { Cautions } from '@client/ui/Cautions';
import { Chips } from '@client/ui/Chips';
import { Choice } from '@client/ui/Choice';
import { Delta } from '@client/ui/Delta';
import { EffortPicker } from '@client/ui/EffortPicker';
import { Empty } from '@client/ui/Empty';
import { FilePicker } from '@client/ui/FilePicker';
import { FormFoot } from '@client/ui/FormFoot';
import { LapSheet } from '@client/ui/lapSheet/LapSheet';
import { ListPart } from '@client/ui/ListPart';
import { ListRow } from '@client/ui/ListRow';
import { Loading } from '@client/ui/Loading';
import { ModalSheet } from '@client/ui/ModalSheet';
import { useNotice } from '@client/ui/Notices';
import { Page } from '@client/ui/Page';
import { PrimaryButton } from '@client/ui/PrimaryButton';
import { RadioRow } from '@client/ui/RadioRow';
import { Segments } from '@client/ui/Segments';
import { Select } from '@client/ui/Select';
import { SmallButton } from '@client/ui/SmallButton';
import { Stepper } from '@client/ui/Stepper';
import { Table } from '@client/ui/Table';
import { Text } from '@client/ui/Text';
import { TextButton } from '@client/ui/TextButton';
import { TextField } from '@client/ui/TextField';
import { SPACE } from '@client/ui/theme';
import { TickRow } from '@client/ui/TickRow';
import { Trouble } from '@client/ui/Trouble';
import { WhenField } from '@client/ui/WhenField';

const nothing = () => undefined;
const KINDS = ['title', 'heading', 'strong', 'body', 'small', 'label', 'clock'] as const;
const EFFORTS = ['easy', 'steady', 'hard', 'as hard as a race over this distance'].map((text) => ({
  value: text,
  text,
}));
const STEPS = { on: 'On', back: 'Back', off: 'Off' };

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <View role="region" aria-label={name} style={{ gap: SPACE.m }}>
      <Text as="heading" level={2}>
        {name}
      </Text>
      {children}
    </View>
  );
}

const Row = ({ children }: { children: ReactNode }) => (
  <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'center' }}>{children}</View>
);

function Buttons() {
  const [isOpen, setOpen] = useState(false);
  return (
    <Part name="Buttons">
      <Row>
        <PrimaryButton main icon="check" onPress={nothing}>
          The one next step
        </PrimaryButton>
        <PrimaryButton icon="remove" onPress={nothing}>
          Another one
        </PrimaryButton>
        <PrimaryButton main disabled onPress={nothing}>
          Not yet
        </PrimaryButton>
        <PrimaryButton disabled onPress={nothing}>
          Nor this
        </PrimaryButton>
      </Row>
      <Row>
        <SmallButton onPress={nothing}>Leads elsewhere</SmallButton>
        <SmallButton expanded={isOpen} onPress={() => setOpen(!isOpen)}>
          Opens something
        </SmallButton>
        <SmallButton expanded onPress={nothing}>
          Is open
        </SmallButton>
        <TextButton onPress={nothing}>In a line of text</TextButton>
        <IconButton icon="settings" accessibilityLabel="Settings" onPress={nothing} />
      </Row>
      <FormFoot save="Save mark" onSave={nothing} onCancel={nothing} onRemove={nothing} />
    </Part>
  );
}

function Fields() {
  const [name, setName] = useState('');
  const [kind, setKind] = useState('easy');
  const [gapS, setGapS] = useState(3);
  return (
    <Part name="Fields">
      <TextField label="Name" value={name} onChange={setName} placeholder="as on the list" />
      <TextField label="Time" value="soon" onChange={nothing} error="A time is wanted, like 1:28.8 or 88.8." decimal />
      <TextField label="Distance" value="1500" onChange={nothing} hint="1500 m, three laps and three quarters" />
      <TextField label="Notes" value={'Two lines\nof them'} lines={3} onChange={nothing} />
      {/* Browsers want a secret inside a form, and a name beside it. */}
      <form>
        <input name="username" autoComplete="username" value="club" readOnly hidden />
        <TextField label="Passphrase" value="rain" secret onChange={nothing} />
      </form>
      <TextField label="Find" value="8 × 400" finds onChange={nothing} />
      <Select label="Effort" options={EFFORTS} value={kind} onChange={setKind} />
      <Select label="Effort, not chosen" options={EFFORTS} value="easy" onChange={nothing} error="Choose one." />
      <WhenField type="date" label="Day" value="2026-11-29" onChange={nothing} />
      <WhenField type="time" label="Start" value="" onChange={nothing} error="When does it start?" />
      <Row>
        <Stepper label="Gap" value={gapS} text={`${gapS.toFixed(1)} s`} step={0.5} min={0} max={4} onChange={setGapS} />
        <Stepper label="At its end" value={4} text="4.0 s" step={0.5} min={0} max={4} onChange={nothing} />
      </Row>
    </Part>
  );
}

function Choices() {
  const [one, setOne] = useState('easy');
  const [place, setPlace] = useState('Paces');
  const [some, setSome] = useState(['steady']);
  const [isWet, setWet] = useState(false);
  const [step, setStep] = useState<keyof typeof STEPS>();
  const [effort, setEffort] = useState<number>();
  return (
    <Part name="Choices">
      <Choice label="Effort" showLabel options={EFFORTS} value={one} onChange={setOne} />
      <Choice
        label="Parts of a page"
        isOneLine
        options={['Paces', 'Marks', 'Season'].map((text) => ({ value: text, text }))}
        value={place}
        onChange={setPlace}
      />
      <Chips label="Any of these" options={EFFORTS} chosen={some} onChange={setSome} />
      <TickRow label="The track is wet" checked={isWet} onChange={setWet} />
      <TickRow label="Ticked already" checked onChange={nothing} />
      <View role="radiogroup" aria-label="Wind">
        <RadioRow label="Calm" chosen={!isWet} onChoose={() => setWet(false)} />
        <RadioRow
          label="Against the runners on the back straight, and with them on the home straight"
          chosen={isWet}
          onChoose={() => setWet(true)}
        />
      </View>
      <Segments
        who="Ada"
        values={['on', 'back', 'off']}
        words={STEPS}
        value={step}
        can={(to) => to !== 'off'}
        onChange={setStep}
      />
      <EffortPicker label="Effort reported" value={effort} onPick={setEffort} />
    </Part>
  );
}

function Said() {
  const notice = useNotice();
  const [shown, setShown] = useState<'sheet' | 'question'>();
  const close = () => setShown(undefined);
  return (
    <Part name="What is said">
      <Trouble retry={nothing}>The server cannot be reached. What was written is kept on this phone.</Trouble>
      <Cautions list={['Under 14 in hard work: Kit. Fewer reps and full recoveries; learning the pace is enough.']} />
      <Empty title="Nothing here yet" action={{ label: 'Write a session', onPress: nothing }}>
        Sessions of the day stand here, with who takes part.
      </Empty>
      <Loading />
      <Row>
        <Delta deltaS={-1.4} verdict="early" />
        <Delta deltaS={0.1} verdict="on" size="medium" />
        <Delta deltaS={2} verdict="late" size="large" />
      </Row>
      <FilePicker title="Bring in a list" accept=".csv" onPick={nothing}>
        A row an athlete, with a head.
      </FilePicker>
      <Row>
        <PrimaryButton onPress={() => notice({ text: 'Ada is changed.', undo: nothing })}>Say something</PrimaryButton>
        <PrimaryButton onPress={() => setShown('sheet')}>Open a sheet</PrimaryButton>
        <PrimaryButton onPress={() => setShown('question')}>Ask first</PrimaryButton>
      </Row>
      {shown === 'sheet' && (
        <ModalSheet title="A sheet" close={close}>
          <TextField label="Note" value="" onChange={nothing} />
        </ModalSheet>
      )}
      {shown === 'question' && (
        <Ask
          title="Erase Ada for good?"
          close={close}
          answers={
            <>
              <PrimaryButton onPress={close}>Erase Ada</PrimaryButton>
              <PrimaryButton main onPress={close}>
                Keep
              </PrimaryButton>
            </>
          }
        >
          <Text>It cannot be taken back.</Text>
        </Ask>
      )}
    </Part>
  );
}

function Lists() {
  return (
    <Part name="Lists">
      <ListPart
        title="Sessions"
        rows={[
          <ListRow key="a" href="/" title="Even 400s, quick finish" detail="Today · 8x400 @5k / 75s jog" marked />,
          <ListRow key="b" href="/" title="Over and under" detail="Wed 2 Dec" aside={<Text>4 km</Text>} chosen />,
        ]}
      />
      <Table
        label="Paces"
        nameTitle="Per 400"
        columns={[
          { key: 'cv', title: 'cv', width: 75, onPress: nothing, sorted: true },
          { key: 'threshold', title: 'threshold', under: 's a lap', width: 90 },
        ]}
        rows={[
          { key: 'g', heading: 'Milers', detail: '2' },
          {
            key: 'a',
            name: 'Ada Brindlecote',
            under: '5k 16:48',
            href: '/',
            cells: [<Text key="1">1:22.4</Text>, <Text key="2">1:27.7</Text>],
          },
          {
            key: 'b',
            name: 'Bo Tarrowby',
            ticked: true,
            onPress: nothing,
            cells: [<Text key="1">1:19.3</Text>, <Text key="2">1:26.4</Text>],
          },
        ]}
      />
    </Part>
  );
}

function Drawings() {
  const view = useMemo(() => {
    const parsed = parseStored('3x800 @5k / 200m jog');
    if (!parsed.ok) throw new Error('The gallery’s session cannot be read.');
    return viewSession(parsed.session);
  }, []);
  return (
    <Part name="Drawings">
      <LapSheet {...view} description="Lap sheet of three 800s with a 200 m jog after each" />
    </Part>
  );
}

export function Gallery() {
  return (
    <View role="main" style={{ flex: 1 }}>
      <Page
        title="Gallery of parts"
        subtitle="Every part of the interface, in each of its states"
        onBack={nothing}
        footer={
          <PrimaryButton main onPress={nothing}>
            Under the thumb
          </PrimaryButton>
        }
      >
        <Part name="Text">
          {KINDS.map((kind) => (
            <Text key={kind} as={kind}>{`${kind} 1:28.8`}</Text>
          ))}
          <Text quiet>body that may step back</Text>
        </Part>
        <Buttons />
        <Fields />
        <Choices />
        <Said />
        <Lists />
        <Drawings />
      </Page>
    </View>
  );
}
