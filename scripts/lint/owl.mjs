/** Lint rules of this house that no package has. */

/** The core has no clock: `new Date()` asks one. */
const noClock = {
  meta: { type: 'problem', messages: { clock: 'core has no clock: take utcMs as an argument.' } },
  create: (context) => ({
    NewExpression(node) {
      if (node.callee.type === 'Identifier' && node.callee.name === 'Date' && node.arguments.length === 0)
        context.report({ node, messageId: 'clock' });
    },
  }),
};

const HOOKS = new Set(['before', 'after', 'beforeEach', 'afterEach']);

const noHookOfFile = {
  meta: {
    type: 'problem',
    messages: { outside: 'A hook outside of describe runs for the tests of every file.' },
  },
  create: (context) => ({
    Program(program) {
      for (const { expression } of program.body.filter((s) => s.type === 'ExpressionStatement')) {
        if (expression.type === 'CallExpression' && HOOKS.has(expression.callee.name))
          context.report({ node: expression, messageId: 'outside' });
      }
    },
  }),
};

export default { meta: { name: 'owl' }, rules: { 'no-clock': noClock, 'no-hook-of-file': noHookOfFile } };
