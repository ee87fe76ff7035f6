const shared = { testPathIgnorePatterns: ['/node_modules/', '/dist/', '/e2e/'] };
const node = (name) => ({
  ...shared,
  displayName: name,
  // No interface code in it: plain Node, and code as Node runs it.
  testEnvironment: 'node',
  transform: { '\\.[jt]sx?$': ['@swc/jest', { jsc: { target: 'es2023' } }] },
  // As in tsconfig.json.
  moduleNameMapper: { '^@(core|server|devices)/(.*)$': '<rootDir>/$1/$2' },
  testMatch: [`<rootDir>/${name}/**/*.test.ts`],
});

module.exports = {
  // What writes through to a slow disk takes long there, and so does all on a busy machine; it is right all the same.
  testTimeout: 120_000,
  // Not among a run’s own files, which are gone after it.
  cacheDirectory: '<rootDir>/node_modules/.cache/jest',
  projects: [
    node('core'),
    node('server'),
    node('devices'),
    node('demo'),
    node('scripts'),
    {
      ...shared,
      displayName: 'client',
      preset: 'jest-expo/web',
      testMatch: ['<rootDir>/client/**/*.test.ts?(x)'],
      setupFiles: ['<rootDir>/client/testGlobals.ts'],
      // As in metro.config.js: our own icons, and states and keys of React Native Web's parts.
      moduleNameMapper: {
        '^@react-native-vector-icons/material-design-icons$': '<rootDir>/client/ui/icons/PaperIcon.tsx',
        '/modules/(createDOMProps|forwardedProps)$': '<rootDir>/client/ui/web/$1.ts',
      },
    },
  ],
};
