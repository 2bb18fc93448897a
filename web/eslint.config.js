import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** The features from the ground up. Each knows only those before it; the router puts them together. */
const floors = [
  'accounts',
  'students',
  'places',
  'courses',
  'drills',
  'onCourse',
  'plans',
  'sessions',
  'programmes',
  'weeks',
  'guardians',
  'reminders',
  'progress',
  'competitions',
  'testDays',
  'review',
  'dataRights',
];
/** What React's compiler finds is found by the build in components (reactCompiler.ts), and here in hooks of our own. */
const compilersOwn = Object.keys(reactHooks.configs.flat['recommended-latest'].rules).filter(
  (rule) => !/rules-of-hooks|exhaustive-deps/.test(rule),
);
const forbid = (files, regex, message, ignores = []) => ({
  files,
  ignores,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ regex, message }] }] },
});
const boundaries = [
  ...floors
    .slice(0, -1)
    .map((floor, i) =>
      forbid(
        [`src/features/${floor}/**`],
        `^\\.\\./(${floors.slice(i + 1).join('|')})/`,
        `${floor} stands below that feature. See “Floors” in docs/architecture.md.`,
      ),
    ),
  forbid(['src/ui/**', 'src/api/**'], '/features/', 'What every feature uses knows none of them.'),
  forbid(['src/app/**'], '/features/', 'Only the router and the shell put features together.', [
    'src/app/router.tsx',
    'src/app/Shell.tsx',
  ]),
];

export default tseslint.config(
  { ignores: ['dist', 'src/api/schema.d.ts'] },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  reactHooks.configs.flat['recommended-latest'],
  {
    files: ['src/**/*.{ts,tsx}', 'vite.config.ts', 'reactCompiler.ts'],
    languageOptions: { parserOptions: { project: './tsconfig.json', tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  { files: ['src/**/*.tsx'], rules: Object.fromEntries(compilersOwn.map((rule) => [rule, 'off'])) },
  ...boundaries,
  { files: ['eslint.config.js', 'fromDescription.mjs', 'compress.mjs'], ...tseslint.configs.disableTypeChecked },
);
