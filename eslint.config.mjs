import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import prettier from 'eslint-config-prettier/flat';

/** Imports only ever point down: app -> stations -> (actions, sheet, ui) -> core, and app, actions -> data -> core. */
const forbid = (files, ...patterns) => ({
  files,
  ignores: ['**/*.test.ts', '**/*.test.tsx'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: patterns.map((group) => ({
          group: group.split(' '),
          message: 'Imports point down: see docs/decisions/structure.md.',
        })),
      },
    ],
  },
});
const libraries = 'react react-dom react/* next next/* pg @mui/* @react-pdf/* sharp node:*';

/** Inside core, folders see `units` and what is named above them. */
const CORE_SEES = {
  units: '',
  colour: 'units',
  codes: 'units colour paint brief',
  paint: 'units colour',
  match: 'units colour codes paint',
  outline: 'units',
  markings: 'units outline brief',
  evidence: 'units colour',
};
const coreFolders = [
  'units',
  'colour',
  'codes',
  'paint',
  'match',
  'outline',
  'markings',
  'evidence',
  'route',
  'bench',
  'interchange',
  'brief',
];

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
  ...Object.entries(CORE_SEES).map(([folder, sees]) =>
    forbid(
      [`src/core/${folder}/**`],
      `@/app/* @/stations/* @/sheet/* @/ui/* @/data/* @/actions/* @/workers/* ${libraries}`,
      coreFolders
        .filter((other) => other !== folder && !sees.split(' ').includes(other))
        .map((other) => `@/core/${other}/*`)
        .join(' '),
    ),
  ),
  forbid(
    ['src/core/{route,bench,interchange,brief}/**'],
    `@/app/* @/stations/* @/sheet/* @/ui/* @/data/* @/actions/* @/workers/* ${libraries}`,
  ),
  forbid(['src/data/**'], '@/app/* @/stations/* @/sheet/* @/ui/* @/actions/* @/workers/* react next next/*'),
  forbid(['src/actions/**'], '@/app/* @/sheet/* @/ui/*'),
  forbid(['src/sheet/**'], '@/app/* @/stations/* @/data/* @/actions/* @/workers/*'),
  forbid(['src/ui/**'], '@/app/* @/stations/* @/sheet/* @/data/* @/actions/* @/workers/*'),
  forbid(['src/stations/**'], '@/app/* @/data/* @/workers/* pg'),
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
