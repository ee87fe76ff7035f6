/** The web has no native driver for animations: without this every page says so in its console. */
const noNativeDriver = ({ types }) => ({
  visitor: {
    ObjectProperty({ node }) {
      if (types.isIdentifier(node.key, { name: 'useNativeDriver' }) && types.isBooleanLiteral(node.value))
        node.value = types.booleanLiteral(false);
    },
  },
});

module.exports = (api) => {
  api.cache(true);
  return {
    presets: ['babel-preset-expo'],
    plugins: [noNativeDriver],
    // Ships only the Paper components that are used.
    env: {
      production: { plugins: ['react-native-paper/babel'] },
      // Jest cannot fetch code later.
      test: { plugins: ['@babel/plugin-transform-dynamic-import'] },
    },
  };
};
