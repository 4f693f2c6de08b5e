import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';

const clockAndLocale = [
  ['Intl', 'Locale data differs between Node and Chromium: collation comes through the context.'],
  ['Date', 'Core has no clock: the date comes through the context.'],
].map(([name, message]) => ({ name, message }));

export default tseslint.config(
  { ignores: ['node_modules', 'dist', 'generated'] },
  ...tseslint.configs.recommended,
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-empty': ['error', { allowEmptyCatch: false }],
    },
  },
  // A promise that nobody waits for must say so: its failure would be nobody's. Needs the types.
  {
    files: ['**/*.ts', '**/*.tsx'],
    ignores: ['vite.config.ts'],
    languageOptions: {
      parserOptions: { project: ['tsconfig.json', 'src/core/tsconfig.json'], tsconfigRootDir: import.meta.dirname },
    },
    rules: { '@typescript-eslint/no-floating-promises': 'error' },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', ...clockAndLocale],
      'no-restricted-properties': [
        'error',
        { property: 'localeCompare', message: 'Differs between Node and Chromium.' },
        { property: 'toLocaleString', message: 'Differs between Node and Chromium.' },
        { property: 'toLocaleUpperCase', message: 'Differs between Node and Chromium.' },
        { property: 'toLocaleLowerCase', message: 'Differs between Node and Chromium.' },
        {
          object: 'Math',
          property: 'random',
          message: 'Core has no randomness: ids come from the counter of the book.',
        },
      ],
    },
  },
  {
    files: ['src/ui/**/*.tsx', 'src/app/**/*.tsx'],
    plugins: { 'react-hooks': hooks },
    rules: hooks.configs.recommended.rules,
  },
  { files: ['test/**/*.ts'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
);
