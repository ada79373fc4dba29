// Native ESM. Unit tests of pure code run in node; *.dom.test.* get a browser-like document; e2e/ is run apart.
const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
  moduleNameMapper: {
    '\\.module\\.css$': '<rootDir>/scripts/jest/class-names.mjs',
    '\\.css$': '<rootDir>/scripts/jest/empty.mjs',
    // its two hundred files as one, as it is published too: each suite reads them anew
    '^@testing-library/dom$': '<rootDir>/node_modules/@testing-library/dom/dist/@testing-library/dom.umd.js',
    '\\?url$': '<rootDir>/scripts/jest/empty.mjs',
  },
  modulePathIgnorePatterns: ['<rootDir>/dist', '<rootDir>/dist-server'],
  rootDir: import.meta.dirname,
}
const unit = {
  ...shared,
  displayName: 'unit',
  testEnvironment: '<rootDir>/scripts/jest/node-environment.mjs',
  testMatch: ['<rootDir>/{src,demo,server,scripts}/**/*.test.ts'],
  testPathIgnorePatterns: ['\\.dom\\.test\\.'],
}
const dom = {
  ...shared,
  displayName: 'dom',
  testEnvironment: '<rootDir>/scripts/jest/jsdom-environment.mjs',
  setupFiles: ['fake-indexeddb/auto', '<rootDir>/scripts/jest/dom-setup.mjs'],
  setupFilesAfterEnv: ['<rootDir>/scripts/jest/dom-patience.mjs'],
  testMatch: ['<rootDir>/{src,demo}/**/*.dom.test.{ts,tsx}'],
}
/** The same tests, many files in one context: as `npm test` runs them. */
const together = project => ({
  ...project,
  displayName: `together-${project.displayName}`,
  testMatch: [`<rootDir>/scripts/jest/together/${project.displayName}-*.mjs`],
  testPathIgnorePatterns: [],
})
export default {
  testSequencer: '<rootDir>/scripts/jest/longest-first.mjs',
  projects: [
    unit,
    dom,
    together(unit),
    together(dom),
    {
      ...shared,
      displayName: 'e2e',
      testEnvironment: '<rootDir>/scripts/jest/browser-environment.mjs',
      testMatch: ['<rootDir>/e2e/**/*.test.ts'],
    },
  ],
}
