import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  { ignores: ['dist/', 'node_modules/', '.astro/', '.data/', '.dependency-cruiser.cjs', '**/*.generated.*'] },
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': 'error',
      eqeqeq: ['error', 'always'],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'navigator', 'localStorage'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'core has no clock' },
        { object: 'Math', property: 'random', message: 'core has no randomness' },
      ],
    },
  },
  {
    files: ['src/**/*.tsx'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    // Two evaluators are written down flat, to be compared with: they are read as they are computed.
    ignores: ['scripts/bench/core/evaluate/by-hand/**', 'tests/support/plain/**'],
    rules: { 'max-params': ['error', 5], 'no-nested-ternary': 'error' },
  },
  { files: ['src/**/*.{ts,tsx}', 'demo/**'], rules: { complexity: ['error', 20] } },
  { files: ['scripts/**', 'demo/**', 'tests/**'], rules: { 'no-console': 'off' } },
);
