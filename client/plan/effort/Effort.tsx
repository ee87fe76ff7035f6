import { useState } from 'react';
import { View } from 'react-native';
import { arcAsTold, chancesAsTold, outlookAsTold } from '@core/outlook/asTold';
import type { Chances } from '@core/outlook/chances';
import type { Outlook } from '@core/outlook/outlook';
import type { AthletePlan } from '@core/planning/athletePlans';
import { INTENT_FACTS } from '@core/session/intent';
import { capitalised } from '@core/units/capitalised';
import { Empty } from '../../ui/Empty';
import { Press } from '../../ui/Press';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE, usePalette } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { useWide } from '../../ui/useWide';
import { Text } from '../../ui/Text';
import { toldAboveText } from '../../data/tellingText';
import { byUrgency, FIT_WORDS, fitsText, outlookText } from '../planText';
import type { Planning } from '../../data/usePlanning';
import { EffortArc } from './EffortArc';
import { FitMark } from './FitMark';
import { Proposals } from './Proposals';
import { useChances } from './useChances';
import { whyFit } from './whyFit';
import { Why } from '../../parts/Why';
import { WhatIs } from '../../parts/WhatIs';

/** Thin bar of the least that is left of the reserve. */
function LeftBar({ leastLeft }: { leastLeft: number }) {
  const palette = usePalette();
  return (
    <View style={{ width: 72, height: 10, borderRadius: 3, backgroundColor: palette.line, overflow: 'hidden' }}>
      <View
        style={{
          height: 10,
          width: `${Math.max(2, Math.min(100, leastLeft * 100))}%`,
          backgroundColor: leastLeft < 0.1 ? palette.late : palette.easy,
        }}
      />
    </View>
  );
}

type RowProps = {
  athletePlan: AthletePlan;
  outlook: Outlook;
  chances: Chances | undefined;
  chosen: boolean;
  onPress: () => void;
};

function Row({ athletePlan, outlook, chances, chosen, onPress }: RowProps) {
  const palette = usePalette();
  const { fit, lastEffort, leastLeft } = outlook;
  const sure = chances ? `, on ${Math.round(chances.fits * 100)} of 100 days no harder than planned` : '';
  return (
    <Press
      role="button"
      aria-expanded={chosen}
      aria-label={`${athletePlan.runner.name}: ${FIT_WORDS[fit]}, ${outlookText(outlook)}${sure}`}
      onPress={onPress}
      style={{
        minHeight: 56,
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.s,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
        borderLeftWidth: 5,
        borderLeftColor: chosen ? palette.action : 'transparent',
        paddingLeft: SPACE.s,
      }}
    >
      <FitMark fit={fit} />
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text as="strong">{athletePlan.runner.name}</Text>
        <Text as="small" quiet>
          {chances ? `${FIT_WORDS[fit]} · ${Math.round(chances.fits * 100)} in 100` : FIT_WORDS[fit]}
        </Text>
      </View>
      {fit !== 'unknown' && (
        <>
          <LeftBar leastLeft={leastLeft} />
          <Text as="heading" style={{ minWidth: 40, textAlign: 'right' }}>
            {(lastEffort ?? 0).toFixed(1)}
          </Text>
        </>
      )}
    </Press>
  );
}

function Detail({
  planning,
  athletePlan,
  outlook,
  chances,
}: {
  planning: Planning;
  athletePlan: AthletePlan;
  outlook: Outlook;
  chances: Chances | undefined;
}) {
  if (outlook.fit === 'unknown')
    return (
      <Text as="small">
        {athletePlan.remark ??
          'Run by effort: the session itself says how hard it is to feel, and there is nothing to work out.'}
      </Text>
    );
  const tells = athletePlan.runner.telling && toldAboveText(athletePlan.runner.telling);
  const verdict = `${athletePlan.runner.name}: ${FIT_WORDS[outlook.fit]}`;
  const why = () => whyFit(planning, athletePlan, outlook);
  return (
    <View
      role="region"
      aria-label={`Effort of ${athletePlan.runner.name}`}
      style={{ gap: SPACE.m, paddingVertical: SPACE.m }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <View style={{ flex: 1 }}>
          <Text as="heading" level={2}>
            {verdict}
          </Text>
          <Text as="small" quiet>
            {outlookText(outlook)}
          </Text>
        </View>
        <Why what={verdict} lines={why} />
      </View>
      {athletePlan.remark !== undefined && <Text as="small">{athletePlan.remark}</Text>}
      {tells !== undefined && (
        <Text as="small">{`Rates effort ${tells}: all efforts here are as ${athletePlan.runner.tileName} would rate them.`}</Text>
      )}
      <EffortArc
        name={athletePlan.runner.name}
        outlook={outlook}
        arc={arcAsTold(planning.arc, athletePlan.runner.telling)}
        chances={chances}
      />
      <Text as="label" quiet>
        Effort, 1 to 10, rep by rep: dashed as meant, solid as predicted. Bars: reserve left.
      </Text>
      {chances && (
        <Text as="small">
          {`On ${Math.round(chances.finishes * 100)} of 100 days all of it can be run, on ${Math.round(chances.fits * 100)} it is no harder than planned. Four days in five end between effort ${(chances.lastEffort?.low ?? 0).toFixed(1)} and ${(chances.lastEffort?.high ?? 0).toFixed(1)}.`}
        </Text>
      )}
      <Proposals planning={planning} athletePlan={athletePlan} whyNot={why} />
    </View>
  );
}

/** Will it work: for the squad at a glance, for one in detail, and what would make it fit. */
export function Effort({ planning }: { planning: Planning }) {
  const wide = useWide();
  const { plans, outlooks, intent, arc } = planning;
  const { drawn, start, cancel } = useChances(planning);
  const [chosenId, setChosenId] = useState<string>();
  const judged = plans.flatMap((athletePlan) => {
    const outlook = outlooks.get(athletePlan.runner.id);
    return outlook ? [{ athletePlan, outlook: outlookAsTold(outlook, athletePlan.runner.telling) }] : [];
  });
  if (judged.length === 0) return <Empty title="Nobody to look at">Tick who takes part, under Groups.</Empty>;
  judged.sort((a, b) => byUrgency(a.outlook.fit, b.outlook.fit) || b.outlook.over - a.outlook.over);
  const chosen = judged.find(({ athletePlan }) => athletePlan.runner.id === chosenId) ?? (wide ? judged[0] : undefined);
  const chancesOf = ({ id, telling }: AthletePlan['runner']) => {
    const found = drawn?.found.get(id);
    return found && chancesAsTold(found, telling);
  };
  const detail = chosen && (
    <Detail
      key={chosen.athletePlan.runner.id}
      planning={planning}
      athletePlan={chosen.athletePlan}
      outlook={chosen.outlook}
      chances={chancesOf(chosen.athletePlan.runner)}
    />
  );
  const sureness = (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: SPACE.m }}>
        {drawn?.state === 'running' ? (
          <>
            <Text live="polite">{`${drawn.found.size} of ${drawn.of} tried out`}</Text>
            <SmallButton onPress={cancel}>Stop</SmallButton>
          </>
        ) : (
          <SmallButton onPress={start}>{drawn ? 'Try out again' : 'How sure is this?'}</SmallButton>
        )}
      </View>
      {drawn?.state === 'done' && (
        <Text as="small" quiet>
          A thousand days tried out for each: better and worse ones, and with every curve their races would also allow.
        </Text>
      )}
      {drawn?.state === 'failed' && (
        <Trouble retry={start}>How sure it is could not be worked out on this device just now. The rest holds.</Trouble>
      )}
    </View>
  );
  const list = (
    <View style={{ gap: SPACE.m }}>
      <View>
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <Text as="strong" style={{ flexShrink: 1 }}>
            {capitalised(fitsText(judged.map(({ outlook }) => outlook.fit)))}
          </Text>
          <WhatIs terms={['effort', 'reserve', 'critical speed']} />
        </View>
        <Text as="small" quiet>
          {`${INTENT_FACTS[intent].name}: meant to feel ${arc.first} on the first rep, ${arc.middle} half way, ${arc.last} at the end. Bar: least reserve left. Number: effort of the last rep.`}
        </Text>
      </View>
      {sureness}
      <View>
        {judged.map(({ athletePlan, outlook }) => (
          <View key={athletePlan.runner.id}>
            <Row
              athletePlan={athletePlan}
              outlook={outlook}
              chances={chancesOf(athletePlan.runner)}
              chosen={athletePlan === chosen?.athletePlan}
              onPress={() =>
                setChosenId(athletePlan.runner.id === chosenId && !wide ? undefined : athletePlan.runner.id)
              }
            />
            {!wide && athletePlan === chosen?.athletePlan && detail}
          </View>
        ))}
      </View>
      <Text as="label" quiet>
        An estimate from each athlete’s own races, honestly unsure: what they say and how they look goes before it.
      </Text>
    </View>
  );
  if (!wide) return list;
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.xl }}>
      <View style={{ flex: 9, minWidth: 0 }}>{list}</View>
      <View style={{ flex: 10, minWidth: 0 }}>{detail}</View>
    </View>
  );
}
