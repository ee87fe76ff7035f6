module.exports = (api) => {
  api.cache(true);
  return {
    presets: ['babel-preset-expo'],
    // Ships only the Paper components that are used.
    env: { production: { plugins: ['react-native-paper/babel'] } },
  };
};
