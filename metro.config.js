const { getDefaultConfig } = require('expo/metro-config');
const { standIn } = require('./replacedModules.cjs');

const config = getDefaultConfig(__dirname);

/** Libraries that ship their code twice, for `import` and for `require`: without this both would be in the first load. */
const SHIPPED_TWICE = /^(@reduxjs\/toolkit|immer|redux|reselect)(\/|$)/;

config.resolver.resolveRequest = (context, moduleName, platform) => {
  const instead = standIn(moduleName, context.originModulePath);
  if (instead === 'nothing') return { type: 'empty' };
  if (instead !== undefined) return { type: 'sourceFile', filePath: instead };
  const once = SHIPPED_TWICE.test(moduleName) ? { ...context, isESMImport: true } : context;
  return context.resolveRequest(once, moduleName, platform);
};

// The first screen runs only what it uses: not what comes in the same file for later.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
