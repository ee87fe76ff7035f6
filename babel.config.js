const fs = require('node:fs');
const path = require('node:path');

/** Where much is on the screen and changes with each letter: what did not change is not drawn again. It costs some code. */
const COMPILED = ['session/SessionEditor.tsx', 'parts/editor', 'library', 'plan'].map((part) =>
  path.join(__dirname, 'client', part),
);
// A folder that has moved would otherwise be drawn whole again with each letter, and nobody told.
for (const part of COMPILED) if (!fs.existsSync(part)) throw new Error(`babel.config.js: there is no ${part}.`);

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
  const sources = (file) => COMPILED.some((part) => file === part || file.startsWith(part + path.sep));
  return {
    presets: [['babel-preset-expo', { 'react-compiler': { sources } }]],
    plugins: [noNativeDriver],
    // Ships only the Paper components that are used.
    env: {
      production: { plugins: ['react-native-paper/babel'] },
      // Jest cannot fetch code later.
      test: { plugins: ['@babel/plugin-transform-dynamic-import'] },
    },
  };
};
