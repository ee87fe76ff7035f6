/** Where much is on the screen and changes with each letter: what did not change is not drawn again. It costs some code. */
const COMPILED = [
  '/session/SessionEditor',
  '/session/write/',
  '/session/build/',
  '/session/look/',
  '/session/book/',
  '/plan/',
];

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
  const sources = (file) => COMPILED.some((part) => file.includes(`/client${part}`));
  return {
    presets: [['babel-preset-expo', { 'react-compiler': { sources } }]],
    plugins: [noNativeDriver],
    // Ships only the Paper components that are used.
    env: { production: { plugins: ['react-native-paper/babel'] } },
  };
};
