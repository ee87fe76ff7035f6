/** Every colour of the app, by what it is for. Light for sun, dark for floodlights. */
export type Palette = {
  dark: boolean;
  /** The page, things raised from it, and thin lines between things. */
  ground: string;
  raised: string;
  line: string;
  /** Text, and text that may step back. */
  ink: string;
  quiet: string;
  /** The one action of a screen, and text on it. */
  action: string;
  onAction: string;
  /** A warning's ground; text on it is onAction. */
  warning: string;
  /** The three-way judgement: never without its mark and its words. */
  early: string;
  on: string;
  late: string;
  /** Bands of the lap sheet: reps, easy running, jogs. */
  rep: string;
  easy: string;
  jog: string;
  /** Behind words that are a recovery. */
  sand: string;
  /** The part of a tile that fills as its moment nears. */
  fill: string;
};

export const LIGHT: Palette = {
  dark: false,
  ground: '#FBF8EC',
  raised: '#F1ECD6',
  line: '#D5CEB2',
  ink: '#14312B',
  quiet: '#454B46',
  action: '#C7DB2F',
  onAction: '#14312B',
  warning: '#E8B500',
  early: '#6B2E5F',
  on: '#1E5C38',
  late: '#8A3413',
  rep: '#14312B',
  easy: '#8C9A6B',
  jog: '#B3A77A',
  sand: '#E9DFBC',
  fill: '#DFE79B',
};

export const DARK: Palette = {
  dark: true,
  ground: '#0F1D1A',
  raised: '#1A2E28',
  line: '#34504680',
  ink: '#F5F2E2',
  quiet: '#B9C4BB',
  action: '#C7DB2F',
  onAction: '#14312B',
  warning: '#E8B500',
  early: '#E9B3DD',
  on: '#9BDDAF',
  late: '#F7B08F',
  rep: '#E9F0B8',
  easy: '#71885F',
  jog: '#6E7A5A',
  sand: '#33432F',
  fill: '#3C4F1E',
};
