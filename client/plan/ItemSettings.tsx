import { View } from 'react-native';
import { changeOf, sameWhom, withoutChanges } from '@core/planning/changes';
import { countValue, itemRows, lengthRange, recoveryValue, targetLegOf } from '@core/planning/itemRows';
import type { Whom } from '@core/planning/dayPlan';
import { itemAt, type ItemPath } from '@core/session/edit';
import { formatItem } from '@core/session/formatSession';
import type { ItemSetting } from '@core/session/itemSetting';
import type { SessionTree } from '@core/session/session';
import type { TargetLeg } from '@core/targets/targetsFor';
import { formatRest, formatTime } from '@core/units/time';
import { SmallButton } from '../ui/SmallButton';
import { Stepper } from '../ui/Stepper';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { paceText } from './planText';
import type { Planning } from '../data/usePlanning';

type Props = {
  planning: Planning;
  whom: Whom;
  /** Who they are, for the undo bar: `Juno`. */
  who: string;
  /** The session as it is written for them, as it is changed for them, and its legs. */
  written: SessionTree;
  session: SessionTree;
  legs: readonly TargetLeg[];
  /** One athlete's target times can be set as well. */
  hasTargets?: boolean;
};

const SHORT_M = 1000;

/** Metres or seconds that a length moves by at a press: a few presses from one end of its range to the other. */
function lengthStep({ kind, least, most }: NonNullable<ReturnType<typeof lengthRange>>): number {
  const spread = most - least;
  if (kind === 'distance') return spread < 400 ? 50 : 200;
  return spread < 60 ? 5 : 30;
}

/** Count, recovery, pace and time of every item, changed for one athlete, a group or all, and taken back. */
export function ItemSettings({ planning, whom, who, written, session, legs, hasTargets = false }: Props) {
  const palette = usePalette();
  const { plan, change, decide } = planning;
  const changes = plan.changes ?? [];
  const settingOf = (path: ItemPath, kind: ItemSetting['kind']) =>
    changes.findLast(
      (change) =>
        'path' in change &&
        change.path.join() === path.join() &&
        change.set.kind === kind &&
        sameWhom(change.whom, whom),
    )?.set;
  return (
    <View style={{ gap: SPACE.m }}>
      {itemRows(written).map(({ path, item, depth }) => {
        const now = itemAt(session, path) ?? item;
        const rest = recoveryValue(now, path, legs);
        const pace = settingOf(path, 'pace');
        const range = lengthRange(item);
        const share = pace?.kind === 'pace' ? pace.share : 1;
        const leg = targetLegOf(path, legs);
        const length = leg?.distanceM ?? leg?.durationS ?? range?.most ?? 0;
        const put = (set: ItemSetting) => change([changeOf(written, path, whom, set)]);
        const isChanged = changes.some(
          (change) => 'path' in change && change.path.join() === path.join() && sameWhom(change.whom, whom),
        );
        const isPaced = now.body.kind === 'rep' && now.body.pace !== undefined && leg?.targetS !== undefined;
        const step = (leg?.distanceM ?? 0) < SHORT_M ? 0.5 : 1;
        return (
          <View
            key={path.join()}
            role="group"
            aria-label={formatItem(item)}
            style={{
              gap: SPACE.s,
              paddingLeft: SPACE.m + depth * SPACE.m,
              borderLeftWidth: 4,
              borderLeftColor: isChanged ? palette.warning : palette.line,
            }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 44 }}>
              <Text as="strong" style={{ flexShrink: 1 }}>
                {formatItem(item)}
              </Text>
              {isChanged && (
                <SmallButton
                  label={`Take back what was changed for ${who}: ${formatItem(item)}`}
                  onPress={() =>
                    decide(
                      { changes: withoutChanges(changes, whom, path) },
                      `${formatItem(item)} is as written for ${who}.`,
                    )
                  }
                >
                  Take back
                </SmallButton>
              )}
            </View>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.l, rowGap: SPACE.s }}>
              {item.count.kind !== 'open' && (
                <Stepper
                  label="Times"
                  value={countValue(now)}
                  text={`${countValue(now)} ×`}
                  step={1}
                  min={1}
                  max={60}
                  onChange={(n) => put({ kind: 'count', n })}
                />
              )}
              {range && (
                <Stepper
                  label="Length"
                  value={length}
                  text={range.kind === 'distance' ? `${Math.round(length)} m` : formatRest(length)}
                  step={lengthStep(range)}
                  min={range.least}
                  max={range.most}
                  onChange={(to) => put({ kind: 'length', length: to })}
                />
              )}
              {rest?.kind === 'recovery' && (
                <Stepper
                  label="Recovery"
                  value={rest.durationS}
                  text={formatRest(rest.durationS)}
                  step={5}
                  min={5}
                  max={1200}
                  onChange={(durationS) => put({ kind: 'recovery', durationS })}
                />
              )}
              {rest?.kind === 'jog' && (
                <Stepper
                  label="Jog"
                  value={rest.distanceM}
                  text={`${Math.round(rest.distanceM)} m`}
                  step={50}
                  min={50}
                  max={3000}
                  onChange={(distanceM) => put({ kind: 'jog', distanceM })}
                />
              )}
              {isPaced && !hasTargets && (
                <Stepper
                  label="Pace"
                  value={share}
                  text={paceText(share)}
                  step={0.005}
                  min={0.8}
                  max={1.1}
                  onChange={(to) => put({ kind: 'pace', share: to })}
                />
              )}
              {hasTargets && leg?.distanceM !== undefined && (
                <Stepper
                  label="Target"
                  value={
                    leg.targetS === undefined ? Math.round(leg.distanceM / 4) : Math.round(leg.targetS / step) * step
                  }
                  text={leg.targetS === undefined ? 'by effort' : formatTime(leg.targetS, 1)}
                  step={step}
                  min={5}
                  max={36_000}
                  onChange={(targetS) => put({ kind: 'target', targetS })}
                />
              )}
            </View>
          </View>
        );
      })}
    </View>
  );
}
