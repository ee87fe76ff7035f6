import deepmerge from 'deepmerge';

/** Paper's parts hand their whole theme on to those inside them, which merge it with itself: a sixth of opening a sheet with many chips. */
const mergeTheme = <Theme extends object>(theme: Theme, overrides: Partial<Theme>): Theme =>
  overrides === theme ? theme : deepmerge(theme, overrides);

export default mergeTheme;
