import { Pressable, type PressableProps } from 'react-native';

/** Something to press: answers on release, dims a little while held. */
export function Press({ style, ...props }: PressableProps) {
  return (
    <Pressable
      {...props}
      style={(state) => [
        typeof style === 'function' ? style(state) : style,
        state.pressed ? { opacity: 0.7 } : undefined,
      ]}
    />
  );
}
