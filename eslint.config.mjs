import js from '@eslint/js';
import next from '@next/eslint-plugin-next';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

/** Imports point one way: web -> core, screens -> ui, app -> screens and server. */
const forbid = (files, group, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: group.map((g) => ({ ...g, message })) }] },
});
const regex = (...patterns) => patterns.map((p) => ({ regex: p }));

export default ts.config(
  {
    ignores: [
      '**/node_modules/**',
      '**/.next*/**',
      '**/dist/**',
      '.undrel/**',
      'test-results/**',
      'web/next-env.d.ts',
    ],
  },
  js.configs.recommended,
  ...ts.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks, '@next/next': next },
    settings: { next: { rootDir: 'web' } },
    rules: {
      ...next.configs.recommended.rules,
      ...next.configs['core-web-vitals'].rules,
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
    },
  },
  {
    files: ['scripts/**/*.mjs', '*.mjs', 'e2e/*.mjs', 'core/bin/*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        URL: 'readonly',
        performance: 'readonly',
        Buffer: 'readonly',
      },
    },
  },
  forbid(
    ['core/src/**'],
    regex('^(react|next|pg|radix-ui|chart\\.js)(/|$)', '@undrel/web', '/web/'),
    'The core knows no interface and no database.',
  ),
  {
    files: ['core/src/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'location',
        'localStorage',
        'indexedDB',
      ],
    },
  },
  forbid(
    ['web/ui/**'],
    regex('(^|/)(screens|server|work|app)/', '^pg$'),
    'Interface parts know no screen and no server.',
  ),
  forbid(
    ['web/drawings/**', 'web/documents/**', 'web/device/**'],
    regex('(^|/)(screens|server|work|app)/', '^pg$'),
    'What screens and server share depends on neither.',
  ),
  forbid(
    ['web/screens/**'],
    regex('(^|/)(server|work|app)/', '^pg$'),
    'Screens reach the server through actions and routes given to them.',
  ),
  forbid(
    ['web/protocol/**'],
    regex('(^|/)(screens|server|work|app)/', '^pg$'),
    'What screens and server share depends on neither.',
  ),
  forbid(
    ['web/work/**/!(*.test).ts'],
    regex('(^|/)(app|screens|server|thread)/', '^pg$'),
    'Work is done of what it is given: it asks nothing of the server or the database.',
  ),
  forbid(['web/server/**'], regex('(^|/)(app|screens)/'), 'The server knows no route and no screen.'),
  {
    files: ['web/**/*.tsx'],
    ignores: ['web/ui/PageLink.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'ImportDeclaration[source.value="next/link"]',
          message: 'PageLink asks for nothing of a page before it is opened.',
        },
      ],
    },
  },
  {
    files: ['core/src/**', 'core/cli/**', 'web/**/*.{ts,tsx}'],
    ignores: [
      '**/*.test.{ts,tsx}',
      // Data: what is known of species, findings, limits and what follows work, entry by entry.
      'core/src/species/table.ts',
      'core/src/diagnosis/findings/**',
      'core/src/diagnosis/practiceTable.ts',
      'core/src/practice/{limitsOfWork,followUps}.ts',
    ],
    rules: { 'max-lines': ['error', 350] },
  },
  {
    files: ['core/src/**', 'core/cli/**', 'db/**', 'scripts/**/*.ts', 'web/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    files: ['**/*.test.ts', 'e2e/**'],
    rules: { '@typescript-eslint/no-explicit-any': 'off', '@typescript-eslint/no-non-null-assertion': 'off' },
  },
);
