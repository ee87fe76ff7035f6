import { Link, usePathname } from 'expo-router';
import { View } from 'react-native';
import { Icon, type IconName } from '../ui/icons/Icon';
import { SettingsLink } from '../parts/SettingsLink';
import { Logo } from '../ui/Logo';
import { SPACE, usePalette } from '../ui/theme';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';

const PLACES: { href: '/squad' | '/season' | '/sessions' | '/track' | '/results'; name: string; icon: IconName }[] = [
  { href: '/squad', name: 'Squad', icon: 'squad' },
  { href: '/season', name: 'Season', icon: 'season' },
  { href: '/sessions', name: 'Sessions', icon: 'session' },
  { href: '/track', name: 'Track', icon: 'track' },
  { href: '/results', name: 'Results', icon: 'results' },
];

/** The places of the work, in its order: a bar under the thumb on a phone, a rail at the side on a wide screen. */
export function NavBar() {
  const palette = usePalette();
  const wide = useWide();
  const path = usePathname();
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={{
        flexDirection: wide ? 'column' : 'row',
        backgroundColor: palette.ground,
        borderColor: palette.line,
        borderTopWidth: wide ? 0 : 1,
        borderRightWidth: wide ? 1 : 0,
        padding: wide ? SPACE.s : 0,
        gap: wide ? SPACE.s : 0,
        ...(wide ? { width: 96 } : {}),
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
          <Link key={href} href={href} style={{ flex: wide ? undefined : 1 }} aria-current={here ? 'page' : undefined}>
            <View
              style={{
                alignItems: 'center',
                justifyContent: 'center',
                minHeight: 60,
                width: '100%',
                borderRadius: wide ? 10 : 0,
                backgroundColor: here && wide ? palette.action : 'transparent',
              }}
            >
              {/* The place one is in carries a strip of zest along its edge. */}
              {!wide && (
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
              <Icon name={icon} color={here && wide ? palette.onAction : here ? palette.ink : palette.quiet} />
              <Text as="label" color={here && wide ? palette.onAction : here ? palette.ink : palette.quiet}>
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
