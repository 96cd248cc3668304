import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';
import { CORE_ROOMS, LAYERS, NOT_IN_CORE } from './rooms.mjs';

const forbid = (folder, ...group) => ({
  files: [`${folder}/**`],
  ignores: ['**/*.test.ts', '**/*.test.tsx'],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ group, message: 'Imports point one way only: see rooms.mjs.' }] },
    ],
  },
});
const layers = Object.entries(LAYERS).map(([layer, uses]) =>
  forbid(
    `src/${layer}`,
    ...Object.keys(LAYERS)
      .filter((other) => other !== layer && !uses.includes(other))
      .map((other) => `@/${other}/*`),
    ...(uses.includes('@demo') ? [] : ['@demo/*']),
  ),
);
const rooms = CORE_ROOMS.map((room, place) =>
  forbid(
    `src/core/${room}`,
    ...Object.keys(LAYERS)
      .filter((layer) => layer !== 'core')
      .map((layer) => `@/${layer}/*`),
    ...NOT_IN_CORE,
    ...CORE_ROOMS.slice(place + 1).map((later) => `@/core/${later}/*`),
  ),
);

const config = [
  ...next,
  ...nextTypescript,
  prettier,
  { ignores: ['.next/**', '.data/**', 'next-env.d.ts', 'coverage/**', 'test-results/**', 'playwright-report/**'] },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // Pictures come from the database under their hash and are already small; there is nothing to optimise.
      '@next/next/no-img-element': 'off',
    },
  },
  ...layers,
  ...rooms,
  {
    files: ['src/core/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The clock is an argument.' },
        { object: 'Math', property: 'random', message: 'The seed is an argument.' },
      ],
    },
  },
];

export default config;
