import { Text } from 'react-native-svg';

type Props = {
  x: number;
  y: number;
  color: string;
  children: string;
  anchor?: 'start' | 'middle' | 'end';
  bold?: boolean;
};

/** A word or number inside a drawing. */
export function PlotText({ x, y, color, children, anchor = 'middle', bold = false }: Props) {
  return (
    <Text
      x={x}
      y={y}
      fontSize={12}
      fontFamily="Zest"
      fontWeight={bold ? '700' : '500'}
      textAnchor={anchor}
      fill={color}
    >
      {children}
    </Text>
  );
}
