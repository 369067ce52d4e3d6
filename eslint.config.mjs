import js from '@eslint/js';
import tseslint from 'typescript-eslint';
import reactHooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  { ignores: ['.next/**', 'node_modules/**', 'var/**', 'next-env.d.ts', 'test-results/**', '*.cjs'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', Buffer: 'readonly', URL: 'readonly' },
    },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'max-params': ['error', 4],
      eqeqeq: 'error',
      'no-console': 'error',
      'no-restricted-properties': [
        'error',
        {
          object: 'URL',
          property: 'canParse',
          message: 'It errs on Node 20: use `parseUrl` of core/address.',
        },
      ],
    },
  },
  {
    files: ['src/ui/**/*.{ts,tsx}', 'src/app/**/*.tsx', 'src/app/**/use-*.ts'],
    ...reactHooks.configs.flat['recommended-latest'],
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        { name: 'next/link', message: 'It asks for every link in view: use `Link` of ui/link.' },
      ],
    },
  },
  {
    files: ['src/cli/**', 'src/server/jobs/worker.ts', 'demo/**', 'tests/**', '*.config.*'],
    rules: { 'no-console': 'off' },
  },
  {
    // Loops over rows of samples: an index is within its array by the bounds of the loop, which the types can't know.
    files: ['src/core/picture/**', 'src/core/focus/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    // Compiled for a machine that knows numbers alone: what belongs together can't be given as one, nor a sum of twenty.
    files: ['src/core/picture/kernels/assembly/**'],
    rules: { 'max-params': 'off', 'max-lines-per-function': 'off' },
  },
  {
    files: ['**/*.test.ts', 'tests/**', 'demo/**', 'bin/**'],
    rules: {
      'max-lines-per-function': 'off',
      'max-params': 'off',
      'no-console': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
);
