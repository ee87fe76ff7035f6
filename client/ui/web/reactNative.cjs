/**
 * React Native for the web. A part is run when it is first asked for, as in React Native itself: the index of React Native Web runs all of
 * them at once, for a quarter of a second on a slow phone. Parts that no screen uses are not in it.
 */
module.exports = {
  get AccessibilityInfo() {
    return require('react-native-web/dist/exports/AccessibilityInfo').default;
  },
  get ActivityIndicator() {
    return require('react-native-web/dist/exports/ActivityIndicator').default;
  },
  get Animated() {
    return require('react-native-web/dist/exports/Animated').default;
  },
  get Appearance() {
    return require('react-native-web/dist/exports/Appearance').default;
  },
  get AppRegistry() {
    return require('react-native-web/dist/exports/AppRegistry').default;
  },
  get AppState() {
    return require('react-native-web/dist/exports/AppState').default;
  },
  get AssetRegistry() {
    return require('react-native-web/dist/exports/AssetRegistry').default;
  },
  get BackHandler() {
    return require('react-native-web/dist/exports/BackHandler').default;
  },
  get DeviceEventEmitter() {
    return require('react-native-web/dist/exports/DeviceEventEmitter').default;
  },
  get Dimensions() {
    return require('react-native-web/dist/exports/Dimensions').default;
  },
  get Easing() {
    return require('react-native-web/dist/exports/Easing').default;
  },
  get findNodeHandle() {
    return require('react-native-web/dist/exports/findNodeHandle').default;
  },
  get I18nManager() {
    return require('react-native-web/dist/exports/I18nManager').default;
  },
  get Image() {
    return require('react-native-web/dist/exports/Image').default;
  },
  get InputAccessoryView() {
    return require('react-native-web/dist/exports/InputAccessoryView').default;
  },
  get InteractionManager() {
    return require('react-native-web/dist/exports/InteractionManager').default;
  },
  get Keyboard() {
    return require('react-native-web/dist/exports/Keyboard').default;
  },
  get LayoutAnimation() {
    return require('react-native-web/dist/exports/LayoutAnimation').default;
  },
  get Linking() {
    return require('react-native-web/dist/exports/Linking').default;
  },
  get Modal() {
    return require('react-native-web/dist/exports/Modal').default;
  },
  get NativeEventEmitter() {
    return require('react-native-web/dist/exports/NativeEventEmitter').default;
  },
  get NativeModules() {
    return require('react-native-web/dist/exports/NativeModules').default;
  },
  get PanResponder() {
    return require('react-native-web/dist/exports/PanResponder').default;
  },
  get PixelRatio() {
    return require('react-native-web/dist/exports/PixelRatio').default;
  },
  get Platform() {
    return require('react-native-web/dist/exports/Platform').default;
  },
  get Pressable() {
    return require('react-native-web/dist/exports/Pressable').default;
  },
  get processColor() {
    return require('react-native-web/dist/exports/processColor').default;
  },
  get render() {
    return require('react-native-web/dist/exports/render').default;
  },
  get ScrollView() {
    return require('react-native-web/dist/exports/ScrollView').default;
  },
  get StyleSheet() {
    return require('react-native-web/dist/exports/StyleSheet').default;
  },
  get Switch() {
    return require('react-native-web/dist/exports/Switch').default;
  },
  get Text() {
    return require('react-native-web/dist/exports/Text').default;
  },
  get TextInput() {
    return require('react-native-web/dist/exports/TextInput').default;
  },
  get Touchable() {
    return require('react-native-web/dist/exports/Touchable').default;
  },
  get UIManager() {
    return require('react-native-web/dist/exports/UIManager').default;
  },
  get unmountComponentAtNode() {
    return require('react-native-web/dist/exports/unmountComponentAtNode').default;
  },
  get unstable_createElement() {
    return require('react-native-web/dist/exports/createElement').default;
  },
  get useColorScheme() {
    return require('react-native-web/dist/exports/useColorScheme').default;
  },
  get useLocaleContext() {
    return require('react-native-web/dist/exports/useLocaleContext').default;
  },
  get useWindowDimensions() {
    return require('react-native-web/dist/exports/useWindowDimensions').default;
  },
  get View() {
    return require('react-native-web/dist/exports/View').default;
  },
};
