import { memo } from 'react';
import { View } from 'react-native';
import { Icon, type IconName } from '../../ui/icons/Icon';
import { rem } from '../../ui/rem';
import { RADIUS, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { TAP_STYLE, useTap, type TapMoment } from './useTap';

/** Characters from which the text is set smaller to fit on two or three lines: it is never cut. */
const LONG = { besideAnother: 16, two: 22, three: 40 };
/** Fixed height: buttons must not shift under the thumb. */
const HEIGHT_PX = 64;

/** Three lines under another one, on the narrowest phones. */
const TIGHT = { fontSize: rem(12), lineHeight: rem(13) };

type Props = {
  children?: string;
  icon?: IconName;
  /** A word over the text, smaller: what the button does, where the text says to what. */
  over?: string;
  /** Smaller second line, for the time until it is due. */
  under?: string;
  /** Fills the available height. */
  isTall?: boolean;
  label?: string;
  main?: boolean;
  disabled?: boolean;
  grow?: number;
  moment?: TapMoment;
  onTap: (timeStamp: number) => void;
};

/** A button of the line board: 64 px high, acts when the finger lands unless told otherwise. */
export const TapButton = memo(function TapButton({
  children,
  icon,
  over,
  under,
  isTall = false,
  label,
  main = false,
  disabled = false,
  grow = 0,
  moment = 'down',
  onTap,
}: Props) {
  const palette = usePalette();
  const handlers = useTap(onTap, moment);
  const isTight = (over ?? under) !== undefined && (children?.length ?? 0) >= LONG.besideAnother;
  const ink = main && !disabled ? palette.onAction : palette.ink;
  return (
    <View
      {...(disabled ? {} : handlers)}
      role="button"
      tabIndex={disabled ? -1 : 0}
      aria-disabled={disabled}
      {...((label ?? children) ? { 'aria-label': [label ?? children, under].filter(Boolean).join(', ') } : {})}
      style={[
        TAP_STYLE,
        {
          flexGrow: grow,
          flexBasis: grow > 0 ? 0 : 'auto',
          minWidth: 64,
          ...(isTall ? { minHeight: rem(HEIGHT_PX) } : { height: rem(HEIGHT_PX) }),
          paddingHorizontal: 8,
          paddingVertical: 4,
          flexDirection: 'row',
          gap: 6,
          alignItems: 'center',
          justifyContent: 'center',
          borderRadius: RADIUS,
          borderWidth: main ? 0 : 1.5,
          borderColor: palette.ink,
          backgroundColor: main && !disabled ? palette.action : 'transparent',
          opacity: disabled ? 0.45 : 1,
        },
      ]}
    >
      {icon && <Icon name={icon} color={ink} />}
      {children !== undefined && (
        <View style={{ flexShrink: 1, alignItems: 'center' }}>
          {over !== undefined && (
            <Text as="label" color={ink}>
              {over}
            </Text>
          )}
          <Text
            as={
              children.length >= LONG.three
                ? 'label'
                : children.length >= LONG.two
                  ? 'small'
                  : main && under === undefined
                    ? 'heading'
                    : 'strong'
            }
            color={ink}
            style={[{ textAlign: 'center', fontWeight: '700' }, isTight && TIGHT]}
          >
            {children}
          </Text>
          {under !== undefined && (
            <Text as="label" color={ink}>
              {under}
            </Text>
          )}
        </View>
      )}
    </View>
  );
});
