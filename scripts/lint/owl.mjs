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

const isMountKind = (node) =>
  (node.type === 'MemberExpression' && node.property.type === 'Identifier' && node.property.name === 'mountKind') ||
  (node.type === 'Identifier' && node.name === 'mountKind') ||
  (node.type === 'ChainExpression' && isMountKind(node.expression));

/** What differs between kinds of mounts stands in one table, so that the compiler names all of it for a new kind. */
const mountKindsInTable = {
  meta: {
    type: 'problem',
    messages: { table: 'ask the table of mount kinds (mountTraits) for the trait that is meant, not for a kind.' },
  },
  create: (context) => ({
    BinaryExpression(node) {
      if (isMountKind(node.left) || isMountKind(node.right)) context.report({ node, messageId: 'table' });
    },
    SwitchStatement(node) {
      if (isMountKind(node.discriminant)) context.report({ node, messageId: 'table' });
    },
  }),
};

export default {
  meta: { name: 'owl' },
  rules: { 'no-clock': noClock, 'no-hook-of-file': noHookOfFile, 'mount-kinds-in-table': mountKindsInTable },
};
