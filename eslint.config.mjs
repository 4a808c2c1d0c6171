import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

/** Rules that compile each file to see how React would: nothing to find where nothing is drawn. */
const REACT = next.flatMap(({ rules = {} }) => Object.keys(rules)).filter((rule) => /^react/.test(rule));

const config = [
  { ignores: ['.next/**', '.next-test/**', 'dist/**', 'next-env.d.ts', '.data/**'] },
  ...next,
  ...typescript,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Pass randomness in.' },
        { object: 'Date', property: 'now', message: 'Pass the time in.' },
      ],
    },
  },
  {
    files: ['src/**/*.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'JSXOpeningElement[name.name="TextField"] > JSXAttribute[name.name=/^(inputMode|maxLength|min|max|step|pattern|enterKeyHint|autoCapitalize|spellCheck)$/]',
          message: 'It would stay on the frame: give it to slotProps.htmlInput.',
        },
      ],
    },
  },
  {
    files: ['src/{core,server,workers}/**/*.ts', 'cli/**/*.ts', 'e2e/**/*.ts'],
    rules: Object.fromEntries(REACT.map((rule) => [rule, 'off'])),
  },
];

export default config;
