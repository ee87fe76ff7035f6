const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

const own = (file) => ({ type: 'sourceFile', filePath: path.join(__dirname, file) });

/** Parts of libraries that are made when the library is loaded, and what stands in for them. */
const REPLACED = [
  // Paper would ship an icon font of 1.3 MB; its icons are drawn by our own small set instead.
  { name: /^@react-native-vector-icons\/material-design-icons$/, by: own('client/ui/icons/PaperIcon.tsx') },
  { name: /\/native-stack\/createNativeStackNavigator$/, by: own('client/ui/noNativeStack.ts') },
  { from: /\/expo-router\/build\//, name: /\/vendor\/react-helmet-async\/lib$/, by: own('client/ui/noHelmet.ts') },
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
  { from: /\/react-native-web\/dist\//, name: /(FlatList|SectionList|VirtualizedList)$/ },
  {
    from: /\/react-native-web\/dist\/index/,
    name: /\/(Alert|Button|CheckBox|Clipboard|ImageBackground|KeyboardAvoidingView|LogBox|Picker|ProgressBar|RefreshControl|SafeAreaView|Share|StatusBar|Touchable(Highlight|NativeFeedback|Opacity|WithoutFeedback)|Vibration|YellowBox)$/,
  },
];

/** Libraries that ship their code twice, for `import` and for `require`: without this both would be in the first load. */
const SHIPPED_TWICE = /^(@reduxjs\/toolkit|immer|redux|reselect)(\/|$)/;

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const replaced = REPLACED.find(
    ({ name, from }) => name.test(moduleName) && (!from || from.test(context.originModulePath)),
  );
  if (replaced) return replaced.by;
  if (LEFT_OUT.some(({ from, name }) => name.test(moduleName) && (!from || from.test(context.originModulePath))))
    return { type: 'empty' };
  const once = SHIPPED_TWICE.test(moduleName) ? { ...context, isESMImport: true } : context;
  return context.resolveRequest(once, moduleName, platform);
};

// The first screen runs only what it uses: not what comes in the same file for later.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
