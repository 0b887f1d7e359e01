import { readdirSync, readFileSync } from 'node:fs';
import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

const parts = new URL('core/parts/', import.meta.url);
/** The names of all kinds of parts, as a pattern of a selector. */
const kindNames = readdirSync(parts)
  .flatMap((file) => /^ {2}kind: '([\w-]+)'/m.exec(readFileSync(new URL(file, parts), 'utf8'))?.[1] ?? [])
  .join('|');
const OF_KIND = ':matches(Identifier[name="kind"], MemberExpression[property.name="kind"])';
const KIND_NAME = `Literal[value=/^(${kindNames})$/]`;
const ASK_THE_KIND = 'What a kind is or does stands in core/parts: ask its PartKind, not its name.';

export default ts.config(
  {
    ignores: [
      'public/**',
      '.dependency-cruiser.cjs',
      '.next/',
      '.didaktor/',
      'next-env.d.ts',
      'node_modules/',
    ],
  },
  js.configs.recommended,
  ...ts.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is a seed that is passed.' },
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts', 'core/testing/samples.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'Date',
        'window',
        'document',
        'process',
        'performance',
        'setTimeout',
        'fetch',
      ],
    },
  },
  {
    files: ['{core,server,workers,cli,app,ui}/**/*.{ts,tsx}'],
    ignores: ['core/parts/**', 'core/statements/recipes/**', '**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: `BinaryExpression:has(> ${OF_KIND}):has(> ${KIND_NAME})`, message: ASK_THE_KIND },
        { selector: `SwitchStatement:has(> ${OF_KIND}) > SwitchCase > ${KIND_NAME}`, message: ASK_THE_KIND },
      ],
    },
  },
  {
    files: ['**/*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        AbortSignal: 'readonly',
      },
    },
  },
  {
    files: ['{app,ui}/**/*.tsx'],
    ignores: ['ui/shell/Link.tsx'],
    rules: {
      'no-restricted-imports': ['error', { name: 'next/link', message: 'Links are those of ui/shell/Link.' }],
    },
  },
  { files: ['app/**/*.tsx', 'ui/**/*.tsx', 'ui/**/*.ts'], ...hooks.configs.flat['recommended-latest'] },
);
