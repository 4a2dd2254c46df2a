/** Unit tests of every workspace; the browser's are in e2e. */
module.exports = {
  testMatch: ['<rootDir>/packages/**/*.test.ts', '<rootDir>/apps/**/*.test.ts?(x)', '<rootDir>/demo/**/*.test.ts'],
  // Two processors, with a database and other tests beside: slow is no failure.
  testTimeout: 20_000,
  testPathIgnorePatterns: ['/node_modules/', '/.next/'],
  modulePathIgnorePatterns: ['/.next/'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/apps/web/$1' },
  transform: {
    '^.+\\.(t|j)sx?$': [
      '@swc/jest',
      {
        module: { type: 'commonjs' },
        jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } } },
      },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(?:any-ascii|parse5|entities|css-tree|culori)/)'],
};
