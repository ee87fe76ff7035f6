import { useState } from 'react';
import { View } from 'react-native';
import { arcAsTold, chancesAsTold, outlookAsTold } from '@core/outlook/asTold';
import type { Chances } from '@core/outlook/chances';
import type { Outlook } from '@core/outlook/outlook';
import type { OwnPlan } from '@core/planning/ownPlans';
import { INTENT_FACTS } from '@core/session/intent';
import { Empty } from '../../ui/Empty';
import { Press } from '../../ui/Press';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE, usePalette } from '../../ui/theme';
import { Trouble } from '../../ui/Trouble';
import { useWide } from '../../ui/useWide';
import { Words } from '../../ui/Words';
import { toldAboveText } from '../../data/tellingWords';
import { byUrgency, FIT_WORDS, fitsText, outlookText } from '../planWords';
import type { Planning } from '../../data/usePlanning';
import { EffortArc } from './EffortArc';
import { FitMark } from './FitMark';
import { Proposals } from './Proposals';
import { useChances } from './useChances';

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
  own: OwnPlan;
  outlook: Outlook;
  chances: Chances | undefined;
  chosen: boolean;
  onPress: () => void;
};

function Row({ own, outlook, chances, chosen, onPress }: RowProps) {
  const palette = usePalette();
  const { fit, lastEffort, leastLeft } = outlook;
  const sure = chances ? `, on ${Math.round(chances.fits * 100)} of 100 days no harder than planned` : '';
  return (
    <Press
      role="button"
      aria-expanded={chosen}
      aria-label={`${own.runner.name}: ${FIT_WORDS[fit]}, ${outlookText(outlook)}${sure}`}
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
        <Words as="strong">{own.runner.name}</Words>
        <Words as="small" quiet>
          {chances ? `${FIT_WORDS[fit]} · ${Math.round(chances.fits * 100)} in 100` : FIT_WORDS[fit]}
        </Words>
      </View>
      {fit !== 'unknown' && (
        <>
          <LeftBar leastLeft={leastLeft} />
          <Words as="heading" style={{ minWidth: 40, textAlign: 'right' }}>
            {(lastEffort ?? 0).toFixed(1)}
          </Words>
        </>
      )}
    </Press>
  );
}

function Detail({
  planning,
  own,
  outlook,
  chances,
}: {
  planning: Planning;
  own: OwnPlan;
  outlook: Outlook;
  chances: Chances | undefined;
}) {
  if (outlook.fit === 'unknown')
    return (
      <Words as="small">
        {own.remark ??
          'Run by effort: the session itself says how hard it is to feel, and there is nothing to work out.'}
      </Words>
    );
  const tells = own.runner.telling && toldAboveText(own.runner.telling);
  return (
    <View role="region" aria-label={`Effort of ${own.runner.name}`} style={{ gap: SPACE.m, paddingVertical: SPACE.m }}>
      <View>
        <Words as="heading" level={2}>{`${own.runner.name}: ${FIT_WORDS[outlook.fit]}`}</Words>
        <Words as="small" quiet>
          {outlookText(outlook)}
        </Words>
      </View>
      {own.remark !== undefined && <Words as="small">{own.remark}</Words>}
      {tells !== undefined && (
        <Words as="small">{`Tells effort ${tells}: all efforts here are as ${own.runner.tileName} would tell them.`}</Words>
      )}
      <EffortArc
        name={own.runner.name}
        outlook={outlook}
        arc={arcAsTold(INTENT_FACTS[planning.intent].arc, own.runner.telling)}
        chances={chances}
      />
      <Words as="label" quiet>
        Effort on 1 to 10 rep by rep: dashed as meant, solid as predicted. Bars: what is left of the reserve above
        threshold.
      </Words>
      {chances && (
        <Words as="small">
          {`On ${Math.round(chances.finishes * 100)} of 100 days all of it can be run, on ${Math.round(chances.fits * 100)} it is no harder than planned. Four days in five end between effort ${(chances.lastEffort?.low ?? 0).toFixed(1)} and ${(chances.lastEffort?.high ?? 0).toFixed(1)}.`}
        </Words>
      )}
      <Proposals planning={planning} own={own} />
    </View>
  );
}

/** Will it work: for the squad at a glance, for one in detail, and what would make it fit. */
export function Effort({ planning }: { planning: Planning }) {
  const wide = useWide();
  const { plans, outlooks, intent } = planning;
  const { drawn, start, cancel } = useChances(planning);
  const [chosenId, setChosenId] = useState<string>();
  const judged = plans.flatMap((own) => {
    const outlook = outlooks.get(own.runner.id);
    return outlook ? [{ own, outlook: outlookAsTold(outlook, own.runner.telling) }] : [];
  });
  if (judged.length === 0) return <Empty title="Nobody to look at">Tick who takes part, under Groups.</Empty>;
  judged.sort((a, b) => byUrgency(a.outlook.fit, b.outlook.fit) || b.outlook.over - a.outlook.over);
  const chosen = judged.find(({ own }) => own.runner.id === chosenId) ?? (wide ? judged[0] : undefined);
  const arc = INTENT_FACTS[intent].arc;
  const chancesOf = ({ id, telling }: OwnPlan['runner']) => {
    const found = drawn?.found.get(id);
    return found && chancesAsTold(found, telling);
  };
  const detail = chosen && (
    <Detail
      key={chosen.own.runner.id}
      planning={planning}
      own={chosen.own}
      outlook={chosen.outlook}
      chances={chancesOf(chosen.own.runner)}
    />
  );
  const sureness = (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: SPACE.m }}>
        {drawn?.state === 'running' ? (
          <>
            <Words live="polite">{`${drawn.found.size} of ${drawn.of} tried out`}</Words>
            <SmallButton onPress={cancel}>Stop</SmallButton>
          </>
        ) : (
          <SmallButton onPress={start}>{drawn ? 'Try out again' : 'How sure is this?'}</SmallButton>
        )}
      </View>
      {drawn?.state === 'done' && (
        <Words as="small" quiet>
          A thousand days tried out for each: better and worse ones, and with every curve their races would also allow.
        </Words>
      )}
      {drawn?.state === 'failed' && (
        <Trouble retry={start}>How sure it is could not be worked out on this device just now. The rest holds.</Trouble>
      )}
    </View>
  );
  const list = (
    <View style={{ gap: SPACE.m }}>
      <View>
        <Words as="strong">{fitsText(judged.map(({ outlook }) => outlook.fit))}</Words>
        <Words as="small" quiet>
          {`${INTENT_FACTS[intent].name}: meant to feel ${arc.first} on the first rep, ${arc.middle} half way, ${arc.last} at the end. The bar is the least that is left of the reserve, the number the effort of the last rep.`}
        </Words>
      </View>
      {sureness}
      <View>
        {judged.map(({ own, outlook }) => (
          <View key={own.runner.id}>
            <Row
              own={own}
              outlook={outlook}
              chances={chancesOf(own.runner)}
              chosen={own === chosen?.own}
              onPress={() => setChosenId(own.runner.id === chosenId && !wide ? undefined : own.runner.id)}
            />
            {!wide && own === chosen?.own && detail}
          </View>
        ))}
      </View>
      <Words as="label" quiet>
        An estimate from each athlete’s own races, honestly unsure: what they say and how they look goes before it.
      </Words>
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
