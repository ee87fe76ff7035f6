import { memo, useCallback } from 'react';
import { View } from 'react-native';
import { Delta } from '../../ui/Delta';
import { RADIUS, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { judgedWords, type TileFace } from './tileFace';
import { BOX_STYLE, TAP_STYLE, useTapOrOpen } from './useTap';

type Props = {
  name: string;
  athleteId: string;
  face: TileFace;
  resting: boolean;
  /** Which group, and which key: in the corner. */
  corner?: string | undefined;
  width: number;
  height: number;
  /** @returns false where there is no time to take: then the release opens what is known of the athlete. */
  onTap: (athleteId: string, timeStamp: number) => boolean;
  onOpen: (athleteId: string) => void;
};

function sameFace(a: Props, b: Props): boolean {
  return (
    a.width === b.width &&
    a.height === b.height &&
    a.resting === b.resting &&
    a.corner === b.corner &&
    a.onTap === b.onTap &&
    a.onOpen === b.onOpen &&
    a.face.spoken === b.face.spoken &&
    a.face.fill === b.face.fill &&
    a.face.due === b.face.due &&
    a.face.last?.elapsedS === b.face.last?.elapsedS
  );
}

/** Narrower than this there is no room for words beside a time. */
const NARROW = 100;

/** Type sizes in px for a tile of this size: a laptop on a table is read from further off than a phone in the hand. */
function sizesFor(width: number, height: number) {
  const type = (fontSize: number) => ({ fontSize, lineHeight: Math.round(fontSize * 1.15) });
  if (width < NARROW) return { name: type(15), head: type(13), big: type(17), judged: 16, delta: 'small' as const };
  if (height >= 140) return { name: type(22), head: type(20), big: type(32), judged: 26, delta: 'large' as const };
  if (height >= 92) return { name: type(17), head: type(16), big: type(22), judged: 22, delta: 'medium' as const };
  return { name: type(15), head: type(14), big: type(18), judged: 16, delta: 'small' as const };
}

/** One athlete on the line board: always in the same place. A press on it takes their time, at the moment the finger lands. */
export const AthleteTile = memo(function AthleteTile({
  name,
  athleteId,
  face,
  resting,
  corner,
  width,
  height,
  onTap,
  onOpen,
}: Props) {
  const palette = usePalette();
  const take = useCallback((timeStamp: number) => onTap(athleteId, timeStamp), [onTap, athleteId]);
  const open = useCallback(() => onOpen(athleteId), [onOpen, athleteId]);
  const handlers = useTapOrOpen(take, open);
  const sizes = sizesFor(width, height);
  const { fill, due, canTap, last } = face;
  const strong = due || !canTap ? palette.action : palette.fill;
  return (
    <View
      {...handlers}
      role="button"
      tabIndex={0}
      aria-label={`${name}: ${face.spoken}${canTap && last ? `; at ${Math.round(last.atM)} ${judgedWords(last)}` : ''}`}
      style={[
        TAP_STYLE,
        BOX_STYLE,
        {
          width,
          height,
          borderRadius: RADIUS,
          overflow: 'hidden',
          borderWidth: canTap ? 2 : 1,
          borderColor: canTap ? palette.ink : palette.line,
          backgroundColor: resting ? palette.ground : palette.raised,
        },
      ]}
    >
      {/* Running fills the whole tile; recovering only a strip along its foot, until it is time to go. */}
      <View
        style={{
          position: 'absolute',
          left: 0,
          bottom: 0,
          height: canTap || due ? '100%' : 6,
          width: `${fill}%`,
          backgroundColor: strong,
        }}
      />
      <View style={{ flex: 1, paddingHorizontal: 8, paddingVertical: 5, justifyContent: 'space-between' }}>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 4 }}>
          <Words
            as="strong"
            numberOfLines={1}
            style={[{ flexShrink: 1 }, sizes.name]}
            {...(due ? { color: palette.onAction } : {})}
          >
            {name}
          </Words>
          {corner !== undefined && (
            <Words as="label" {...(due ? { color: palette.onAction } : {})}>
              {corner}
            </Words>
          )}
        </View>
        <View style={{ flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between' }}>
          <Words as="small" style={sizes.head} {...(due ? { color: palette.onAction } : {})}>
            {width < NARROW ? face.head.replace('finish', 'fin') : face.head}
          </Words>
          <Words as="heading" numberOfLines={1} style={sizes.big} {...(due ? { color: palette.onAction } : {})}>
            {face.big}
          </Words>
        </View>
        <View style={{ height: sizes.judged }}>
          {last?.deltaS !== undefined && last.verdict && (
            <View
              style={{
                alignSelf: 'flex-start',
                backgroundColor: palette.ground,
                borderRadius: 5,
                paddingHorizontal: 5,
              }}
            >
              <Delta deltaS={last.deltaS} verdict={last.verdict} size={sizes.delta} />
            </View>
          )}
        </View>
      </View>
    </View>
  );
}, sameFace);
