import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['dist/', 'node_modules/', '.cache/', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [...ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/explicit-module-boundary-types': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // The engine's calls are promises because they cross to a worker, whoever answers.
      '@typescript-eslint/require-await': 'off',
      // The texts of Yjs say what they hold.
      '@typescript-eslint/no-base-to-string': ['error', { ignoredTypeNames: ['Error', 'RegExp', 'URL', 'URLSearchParams', 'YText'] }],
      'no-eval': 'error',
      'no-new-func': 'error',
      'max-lines': ['error', { max: 420, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['src/**/*.tsx', 'src/**/use-*.ts'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['src', 'server', 'stand-in', 'cli'].map((part) => `${part}/**/*.{ts,tsx}`),
    rules: {
      // Text becomes markup nowhere but by React and by the writer of HTML, which lets nothing through (docs/security.md).
      'no-restricted-syntax': [
        'error',
        ...[
          'MemberExpression[property.name=/^(innerHTML|outerHTML|insertAdjacentHTML|srcdoc)$/]',
          'JSXAttribute[name.name=/^(dangerouslySetInnerHTML|srcDoc)$/]',
          "CallExpression[callee.object.name='document'][callee.property.name=/^write/]",
        ].map((selector) => ({ selector, message: 'Text becomes markup here.' })),
      ],
    },
  },
  { files: ['**/*.mjs', '**/*.cjs', '**/*.js'], languageOptions: { globals: globals.node } },
);
