import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

const impureGlobals = [
  'window',
  'document',
  'navigator',
  'localStorage',
  'indexedDB',
  'fetch',
  'process',
  'setTimeout',
  'setInterval',
];

export default ts.config(
  { ignores: ['dist', 'node_modules', 'test-results', 'playwright-report', 'tests/fixtures', 'docs'] },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [...ts.configs.strictTypeChecked],
    plugins: { 'react-hooks': hooks },
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    linterOptions: { reportUnusedDisableDirectives: 'error' },
    rules: {
      ...hooks.configs.recommended.rules,
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
      'max-lines-per-function': ['error', { max: 40, skipBlankLines: true, skipComments: true }],
      complexity: ['error', { max: 12, variant: 'modified' }],
      'no-restricted-exports': ['error', { restrictDefaultExports: { direct: true, named: true, defaultFrom: true } }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/consistent-type-definitions': ['error', 'type'],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      'no-console': 'error',
      'no-restricted-syntax': ['error', { selector: 'TSEnumDeclaration', message: 'Use a union of string literals.' }],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', ...impureGlobals],
      'no-restricted-syntax': [
        'error',
        {
          selector: "MemberExpression[object.name='Date'][property.name='now']",
          message: 'core has no clock: take utcMs as an argument.',
        },
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core has no clock: take utcMs as an argument.',
        },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: 'core has no hidden random source.',
        },
      ],
    },
  },
  {
    // Drawing components are long lists of marks; their size is held looser than that of computing functions.
    files: ['src/ui/**/*.tsx', 'src/features/**/*.tsx', 'src/app/**/*.tsx'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    // The form library hands out its ref as a callback, which the rule takes for a ref object read while rendering.
    files: ['src/ui/form/Fields.tsx'],
    rules: { 'react-hooks/refs': 'off' },
  },
  {
    files: ['tests/**/*.ts', '*.config.ts', 'bench/**/*.ts'],
    rules: {
      'max-lines-per-function': 'off',
      'no-restricted-exports': 'off',
      '@typescript-eslint/no-unused-expressions': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
  {
    files: ['tests/unit/**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'Program > ExpressionStatement > CallExpression[callee.name=/^(before|after)(Each)?$/]',
          message: 'A hook outside of describe runs for the tests of every file.',
        },
      ],
    },
  },
  { files: ['scripts/**/*.ts', 'server/**/*.ts', 'bench/**/*.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['**/*.{js,mjs}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        document: 'readonly',
        localStorage: 'readonly',
        location: 'readonly',
        URL: 'readonly',
      },
    },
  },
);
