import { View } from 'react-native';
import { PACE_UNITS, type PaceUnit } from '@core/paces/paceTable';
import { LENGTH_UNITS, type LengthUnit } from '@core/units/distance';
import { useSquad, type SquadView } from '../data/useSquad';
import { useSquadChange } from '../data/useSquadChange';
import { troubleText } from '../store/api';
import { LOOKS, settings, type Look } from '../store/settings';
import { useAppDispatch, useAppSelector } from '../store/store';
import { backOr } from '../ui/backOr';
import { Choice } from '../ui/Choice';
import { ListRow } from '../ui/ListRow';
import { Loading } from '../ui/Loading';
import { Page } from '../ui/Page';
import { SPACE } from '../ui/theme';
import { TickRow } from '../ui/TickRow';
import { Trouble } from '../ui/Trouble';
import { About } from './About';
import { ClubPart } from './ClubPart';
import { Part } from './Part';

const LOOK_WORDS: Record<Look, string> = {
  system: 'As the device',
  light: 'Light, for sun',
  dark: 'Dark, for floodlights',
};
const LENGTH_WORDS: Record<LengthUnit, string> = { km: 'Kilometres', mi: 'Miles' };
const PACE_WORDS: Record<PaceUnit, string> = {
  '100': '100 m',
  '200': '200 m',
  '400': '400 m',
  lap: 'A lap',
  km: 'A km',
  mile: 'A mile',
};

const back = backOr('/season');

type OneOfProps<T extends string> = {
  label: string;
  words: Record<T, string>;
  values: readonly T[];
  value: T;
  choose: (value: T) => void;
};

/** One setting with all it can be in sight. */
const OneOf = <T extends string>({ label, words, values, value, choose }: OneOfProps<T>) => (
  <Choice
    label={label}
    showLabel
    options={values.map((each) => ({ value: each, text: words[each] }))}
    value={value}
    onChange={choose}
  />
);

/** What is chosen on this device and holds at once. */
function DevicePart() {
  const dispatch = useAppDispatch();
  const { look, lengthUnit, calls, paces } = useAppSelector((state) => state.settings);
  return (
    <Part title="This device">
      <OneOf
        label="Look"
        words={LOOK_WORDS}
        values={LOOKS}
        value={look}
        choose={(value) => dispatch(settings.actions.lookChosen(value))}
      />
      <OneOf
        label="Totals of a session in"
        words={LENGTH_WORDS}
        values={LENGTH_UNITS}
        value={lengthUnit}
        choose={(value) => dispatch(settings.actions.lengthUnitChosen(value))}
      />
      <OneOf
        label="Paces as the time over"
        words={PACE_WORDS}
        values={PACE_UNITS}
        value={paces.unit}
        choose={(unit) => dispatch(settings.actions.pacesChosen({ unit }))}
      />
      <TickRow
        label="Calls are heard at the track"
        checked={calls}
        onChange={(on) => dispatch(settings.actions.callsChosen(on))}
      />
    </Part>
  );
}

function OfSquad({ squad }: { squad: SquadView }) {
  const { change } = useSquadChange(squad);
  return <ClubPart squad={squad} change={change} />;
}

function Club() {
  const { squad, error, retry } = useSquad();
  if (squad) return <OfSquad squad={squad} />;
  return error ? <Trouble retry={retry}>{troubleText(error)}</Trouble> : <Loading />;
}

/** Settings, help and what the app is: reached from the head of every place. */
export function SettingsPage() {
  return (
    <Page title="Settings" onBack={back}>
      <DevicePart />
      <Club />
      <Part title="How it works">
        <View style={{ marginHorizontal: -SPACE.l }}>
          <ListRow href="/settings/help" title="Help" detail="How the parts work, in the order of the work" />
          <ListRow href="/settings/keys" title="Keys" detail="The app by keyboard; ? opens this list anywhere" />
          <ListRow
            href="/sessions/guides"
            title="Guides, heat and schools"
            detail="How much is a lot, when it is too hot, how your club does things"
          />
        </View>
      </Part>
      <Part title="About">
        <About />
      </Part>
    </Page>
  );
}
