const shared = { testPathIgnorePatterns: ['/node_modules/', '/dist/', '/e2e/'] };
const node = (name) => ({
  ...shared,
  displayName: name,
  preset: 'jest-expo/node',
  testMatch: [`<rootDir>/${name}/**/*.test.ts`],
});

module.exports = {
  projects: [
    node('core'),
    node('server'),
    node('devices'),
    node('demo'),
    { ...shared, displayName: 'client', preset: 'jest-expo/web', testMatch: ['<rootDir>/client/**/*.test.ts?(x)'] },
  ],
};
