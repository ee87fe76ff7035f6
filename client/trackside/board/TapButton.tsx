import { memo } from 'react';
import { View } from 'react-native';
import { Icon, type IconName } from '../../ui/icons/Icon';
import { RADIUS, usePalette } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { TAP_STYLE, useTap, type TapMoment } from './useTap';

type Props = {
  children?: string;
  icon?: IconName;
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
  label,
  main = false,
  disabled = false,
  grow = 0,
  moment = 'down',
  onTap,
}: Props) {
  const palette = usePalette();
  const handlers = useTap(onTap, moment);
  const ink = main && !disabled ? palette.onAction : palette.ink;
  return (
    <View
      {...(disabled ? {} : handlers)}
      role="button"
      tabIndex={disabled ? -1 : 0}
      aria-disabled={disabled}
      {...((label ?? children) ? { 'aria-label': label ?? children } : {})}
      style={[
        TAP_STYLE,
        {
          flexGrow: grow,
          flexBasis: grow > 0 ? 0 : 'auto',
          minWidth: 64,
          height: 64,
          paddingHorizontal: 10,
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
        <Words
          as={main ? 'heading' : 'strong'}
          color={ink}
          numberOfLines={2}
          style={{ flexShrink: 1, textAlign: 'center' }}
        >
          {children}
        </Words>
      )}
    </View>
  );
});
