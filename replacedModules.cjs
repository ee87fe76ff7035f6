/** Which modules of libraries the app goes without, or has its own in place of: for Metro, and for the gallery of parts. */
const path = require('node:path');

const own = (file) => path.join(__dirname, file);

/** Parts of libraries that are made when the library is loaded, and the file that stands in for them. */
const REPLACED = [
  // Paper would ship an icon font of 1.3 MB; its icons are drawn by our own small set instead.
  { name: /^@react-native-vector-icons\/material-design-icons$/, by: own('client/ui/icons/PaperIcon.tsx') },
  { name: /\/(native-stack\/createNativeStackNavigator|screensFeatureFlags)$/, by: own('client/ui/noNativeStack.ts') },
  { from: /\/expo-router\/build\//, name: /\/vendor\/react-helmet-async\/lib$/, by: own('client/ui/noHelmet.ts') },
  { from: /\/react-theme-provider\/lib\//, name: /^deepmerge$/, by: own('client/ui/web/mergeTheme.ts') },
  { name: /^react-native(-web(\/dist\/index)?)?$/, by: own('client/ui/web/reactNative.cjs') },
  {
    from: /\/react-native-web\/dist\/exports\/render\//,
    name: /^react-dom\/client$/,
    by: own('client/ui/web/slicedRoot.ts'),
  },
  // What React Native Web leaves out of states, values and keys: see these files.
  {
    from: /\/react-native-web\/dist\//,
    name: /\/modules\/createDOMProps$/,
    by: own('client/ui/web/createDOMProps.ts'),
  },
  {
    from: /\/react-native-web\/dist\//,
    name: /\/modules\/forwardedProps$/,
    by: own('client/ui/web/forwardedProps.ts'),
  },
  {
    from: /\/react-native-web\/dist\//,
    name: /\/NativeAnimatedHelper$/,
    by: own('client/ui/web/animations.ts'),
  },
];

/** Parts of libraries that no screen uses, but that an index file would bring along (with the stack above 55 KB gzip of the first load). */
const LEFT_OUT = [
  { name: /^(@expo\/|react-native-)vector-icons\/MaterialCommunityIcons$/ },
  {
    from: /\/expo-router\/build\//,
    name: /\/(Sitemap|standard-navigation|layouts\/Tabs|experimental-stack|stack-utils|bottom-tabs)$/,
  },
  { from: /\/react-native-web\/dist\//, name: /(FlatList|SectionList|VirtualizedList|AnimatedImage)$/ },
];

const fits =
  (moduleName, importer) =>
  ({ name, from }) =>
    name.test(moduleName) && (!from || from.test(importer));

/** @returns the file that stands in for a module, `'nothing'` where it is left out, `undefined` where it is as it is. */
exports.standIn = (moduleName, importer) =>
  REPLACED.find(fits(moduleName, importer))?.by ?? (LEFT_OUT.some(fits(moduleName, importer)) ? 'nothing' : undefined);
