import { Link, usePathname } from 'expo-router';
import { View, type TextStyle } from 'react-native';
import { Icon, type IconName } from '../ui/icons/Icon';
import { SettingsLink } from '../parts/SettingsLink';
import { Logo } from '../ui/Logo';
import { SPACE, usePalette } from '../ui/theme';
import { useLow } from '../ui/useLow';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';

const PLACES: { href: '/squad' | '/season' | '/sessions' | '/track' | '/results'; name: string; icon: IconName }[] = [
  { href: '/squad', name: 'Squad', icon: 'squad' },
  { href: '/season', name: 'Season', icon: 'season' },
  { href: '/sessions', name: 'Sessions', icon: 'session' },
  { href: '/track', name: 'Track', icon: 'track' },
  { href: '/results', name: 'Results', icon: 'results' },
];

/** As the reader's letters grow, for as long as the longest of five names fits. */
const NAME = { fontSize: 'min(0.8125rem, 4.6vw, 18px)', lineHeight: '1.25' } as unknown as TextStyle;

/**
 * The places of the work, in its order: a bar under the thumb on a phone, a rail at the side on a wide screen and on a phone held sideways.
 * They are links, which open in a tab of their own; Paper's bar makes them tabs of one page.
 */
export function NavBar() {
  const palette = usePalette();
  const wide = useWide();
  const low = useLow();
  const isRail = wide || low;
  const path = usePathname();
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={{
        flexDirection: isRail ? 'column' : 'row',
        backgroundColor: palette.ground,
        borderColor: palette.line,
        borderTopWidth: isRail ? 0 : 1,
        borderRightWidth: isRail ? 1 : 0,
        padding: wide ? SPACE.s : 0,
        gap: wide ? SPACE.s : 0,
        ...(wide ? { width: 96 } : low ? { width: 76 } : {}),
      }}
    >
      {wide && (
        <View style={{ alignItems: 'center', paddingVertical: SPACE.m }}>
          <Logo size={44} />
        </View>
      )}
      {PLACES.map(({ href, name, icon }) => {
        const here = path === href || path.startsWith(`${href}/`);
        return (
          <Link
            key={href}
            href={href}
            style={{ flex: wide ? undefined : 1, width: '100%' }}
            aria-current={here ? 'page' : undefined}
          >
            <View
              style={{
                alignItems: 'center',
                justifyContent: 'center',
                minHeight: low ? 48 : 60,
                flexGrow: 1,
                width: '100%',
                borderRadius: wide ? 10 : 0,
                backgroundColor: here && isRail ? palette.action : 'transparent',
              }}
            >
              {/* The place one is in carries a strip of zest along its edge. */}
              {!isRail && (
                <View
                  style={{
                    position: 'absolute',
                    top: -1,
                    left: '18%',
                    right: '18%',
                    height: 4,
                    backgroundColor: here ? palette.action : 'transparent',
                  }}
                />
              )}
              <Icon name={icon} color={here && isRail ? palette.onAction : here ? palette.ink : palette.quiet} />
              <Text
                as="label"
                style={NAME}
                color={here && isRail ? palette.onAction : here ? palette.ink : palette.quiet}
              >
                {name}
              </Text>
            </View>
          </Link>
        );
      })}
      {wide && <View style={{ flex: 1 }} />}
      {wide && <SettingsLink />}
    </View>
  );
}
