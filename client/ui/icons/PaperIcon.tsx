import { Icon, type IconName } from './Icon';
import { ICON_PATHS } from './paths';

type Props = { name: string; color?: string; size?: number };

/** Stands in for Paper's icon font (see replacedModules.cjs): the same properties, our own small set. */
export default function PaperIcon({ name, color = 'currentColor', size = 24 }: Props) {
  return name in ICON_PATHS ? <Icon name={name as IconName} color={color} size={size} /> : null;
}
