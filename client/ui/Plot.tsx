import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import Svg from 'react-native-svg';

type Props = {
  /** What the drawing shows, in words. */
  description: string;
  height: number;
  /** Draws into so many px of width. */
  children: (width: number) => ReactNode;
};

/** A drawing as wide as its place. */
export function Plot({ description, height, children }: Props) {
  const [width, setWidth] = useState(0);
  return (
    <View
      role="img"
      aria-label={description}
      style={{ width: '100%', height }}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      {width > 0 && (
        <Svg width={width} height={height}>
          {children(width)}
        </Svg>
      )}
    </View>
  );
}
