const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

// Paper would ship an icon font of 1.3 MB; its icons are drawn by our own small set instead.
const OWN_ICONS = path.join(__dirname, 'client/ui/icons/PaperIcon.tsx');
const LEFT_OUT = ['@expo/vector-icons/MaterialCommunityIcons', 'react-native-vector-icons/MaterialCommunityIcons'];

config.resolver.resolveRequest = (context, moduleName, platform) => {
  if (moduleName === '@react-native-vector-icons/material-design-icons')
    return { type: 'sourceFile', filePath: OWN_ICONS };
  if (LEFT_OUT.includes(moduleName)) return { type: 'empty' };
  return context.resolveRequest(context, moduleName, platform);
};

module.exports = config;
