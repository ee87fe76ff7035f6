const shared = { testPathIgnorePatterns: ['/node_modules/', '/dist/', '/e2e/'] };
const node = (name) => ({
  ...shared,
  displayName: name,
  preset: 'jest-expo/node',
  testMatch: [`<rootDir>/${name}/**/*.test.ts`],
});

module.exports = {
  // What writes through to a slow disk takes long there, and so does all on a busy machine; it is right all the same.
  testTimeout: 120_000,
  projects: [
    node('core'),
    node('server'),
    node('devices'),
    node('demo'),
    node('scripts'),
    { ...shared, displayName: 'client', preset: 'jest-expo/web', testMatch: ['<rootDir>/client/**/*.test.ts?(x)'] },
  ],
};
