/** A rule for the linter: the core is pure, with no clock and no randomness but what is passed in. */
const IMPURE = { 'Math.random': 'Pass randomness in.', 'Date.now': 'Pass the time in.' };

const pureCore = {
  create: (context) => ({
    MemberExpression({ object, property, ...node }) {
      const message = IMPURE[`${object.name}.${property.name}`];
      if (message) context.report({ node, message });
    },
    NewExpression(node) {
      if (node.callee.name === 'Date' && node.arguments.length === 0)
        context.report({ node, message: 'Pass the time in.' });
    },
  }),
};

export default { meta: { name: 'zest' }, rules: { 'pure-core': pureCore } };
