/** Writes client/ui/icons/paths.ts: the shapes of just the icons that are used, so that the whole set is not shipped. */
import fs from 'node:fs';
import * as mdi from '@mdi/js';

const USED = {
  squad: 'mdiAccountGroup',
  season: 'mdiLadder',
  session: 'mdiFormatListBulletedSquare',
  track: 'mdiStadium',
  results: 'mdiTableCheck',
  plus: 'mdiPlus',
  back: 'mdiArrowLeft',
  close: 'mdiClose',
  remove: 'mdiTrashCanOutline',
  undo: 'mdiUndo',
  redo: 'mdiRedo',
  book: 'mdiBookOpenPageVariantOutline',
  star: 'mdiStar',
  'star-outline': 'mdiStarOutline',
  settings: 'mdiCogOutline',
  saved: 'mdiCloudCheckOutline',
  waiting: 'mdiCloudUploadOutline',
  menu: 'mdiDotsVertical',
  'menu-down': 'mdiMenuDown',
  'menu-up': 'mdiMenuUp',
  minus: 'mdiMinus',
  // Paper asks for these itself.
  'checkbox-marked': 'mdiCheckboxMarked',
  'checkbox-blank-outline': 'mdiCheckboxBlankOutline',
  magnify: 'mdiMagnify',
  check: 'mdiCheck',
  drag: 'mdiDragVertical',
  up: 'mdiArrowUp',
  down: 'mdiArrowDown',
  question: 'mdiHelp',
  stop: 'mdiFlagCheckered',
  sound: 'mdiVolumeHigh',
  mute: 'mdiVolumeOff',
  caller: 'mdiBullhornOutline',
  keys: 'mdiKeyboardOutline',
  clock: 'mdiTimerOutline',
  pin: 'mdiPin',
  flag: 'mdiFlag',
  next: 'mdiChevronRight',
  previous: 'mdiChevronLeft',
};

const lines = Object.entries(USED).map(([name, key]) => {
  if (!mdi[key]) throw new Error(`There is no icon ${key}.`);
  return `  '${name}': '${mdi[key]}',`;
});
fs.writeFileSync(
  new URL('../client/ui/icons/paths.ts', import.meta.url),
  `/** Made by scripts/icons.mjs from @mdi/js (Apache 2.0): change the list there. */\nexport const ICON_PATHS = {\n${lines.join('\n')}\n} as const;\n`,
);
