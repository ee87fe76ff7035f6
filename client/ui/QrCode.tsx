import qrcode from 'qrcode-generator';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Path, Svg } from 'react-native-svg';

/** Kept free around the code, in modules, so that a camera finds it. */
const QUIET = 4;

/** Text as a QR code (ISO/IEC 18004), dark on light in either look. */
export function QrCode({ text, size, label }: { text: string; size: number; label: string }) {
  const { path, width } = useMemo(() => {
    const code = qrcode(0, 'M');
    code.addData(text);
    code.make();
    const count = code.getModuleCount();
    const dark = Array.from({ length: count * count }, (_, i) => [i % count, Math.floor(i / count)] as const).filter(
      ([x, y]) => code.isDark(y, x),
    );
    return {
      path: dark.map(([x, y]) => `M${x + QUIET} ${y + QUIET}h1v1h-1z`).join(''),
      width: count + 2 * QUIET,
    };
  }, [text]);
  return (
    <View role="img" aria-label={label} style={{ width: size, height: size, backgroundColor: '#ffffff' }}>
      <Svg width={size} height={size} viewBox={`0 0 ${width} ${width}`}>
        <Path d={path} fill="#000000" />
      </Svg>
    </View>
  );
}
