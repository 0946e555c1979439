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

/** Words are read in the user's units: a figure with a unit passes the formatter, or stands in braces for it. */
const UNIT = /(?<![{\d.])\b\d+(?:\.\d+)? ?(?:mm|cm|km|m|kg)\b/;
const noUnitsInWords = {
  meta: { type: 'problem', messages: { unit: 'a figure with a unit: format it, or write it in braces as {20 kg}.' } },
  create: (context) => ({
    Literal(node) {
      if (typeof node.value === 'string' && UNIT.test(node.value)) context.report({ node, messageId: 'unit' });
    },
    TemplateElement(node) {
      if (UNIT.test(node.value.cooked ?? '')) context.report({ node, messageId: 'unit' });
    },
  }),
};

/** A test of the keyboard goes where the Tab key goes: it neither puts the focus anywhere nor presses keys on what it found. */
const keyboardOnly = {
  meta: { type: 'problem', messages: { keys: 'only page.keyboard: go there by the Tab key.' } },
  create: (context) => ({
    CallExpression({ callee }) {
      if (
        callee.type !== 'MemberExpression' ||
        !['press', 'focus', 'click', 'fill', 'tap', 'type'].includes(callee.property.name)
      )
        return;
      const on = callee.object;
      const isKeyboard = on.type === 'MemberExpression' && on.property.name === 'keyboard';
      if (!isKeyboard) context.report({ node: callee, messageId: 'keys' });
    },
  }),
};

export default {
  meta: { name: 'owl' },
  rules: {
    'no-clock': noClock,
    'no-hook-of-file': noHookOfFile,
    'mount-kinds-in-table': mountKindsInTable,
    'no-units-in-words': noUnitsInWords,
    'keyboard-only': keyboardOnly,
  },
};
