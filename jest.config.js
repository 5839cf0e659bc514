import process from 'node:process';
import { postgresPrograms } from './scripts/postgres.mjs';

/**
 * Tests run in a context of its own, in which looking up what belongs to the language is slow: it triples the time of
 * the solver. Handed in with each module, it is as quick as anywhere.
 */
const LANGUAGE = [
  ...['Array', 'Boolean', 'Error', 'Infinity', 'JSON', 'Map', 'Math', 'Number', 'Object', 'Set', 'String'],
  ...['BigInt', 'Date', 'Float64Array', 'Uint8Array', 'WeakMap'],
];

/** How tests of core and server run: in Node, as they are written. */
const HOUSE = {
  testEnvironment: 'node',
  setupFiles: ['<rootDir>/packages/core/src/messages/all/index.ts'],
  sandboxInjectedGlobals: LANGUAGE,
  // The tests' module format has no import.meta.
  moduleNameMapper: {
    '/here\\.ts$': '<rootDir>/apps/server/test/demoHere.ts',
    // The same streams as Node's, in a package that names its own parts like the language's.
    '^readable-stream$': '<rootDir>/apps/server/test/nodeStream.ts',
  },
  transform: {
    '\\.[jt]s$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } }],
  },
  transformIgnorePatterns: ['/node_modules/(?!(@keypost)/)'],
};

/** What a server does with its database, once more on a PostgreSQL server, where there is one. */
const ON_POSTGRES = {
  ...HOUSE,
  displayName: 'postgres',
  roots: ['<rootDir>/apps/server'],
  testMatch: ['**/{api,durability,fuzz,hold,postgres}.test.ts'],
  globals: { SUITES_ON_POSTGRES: true },
  globalSetup: '<rootDir>/apps/server/test/postgresSetup.ts',
  globalTeardown: '<rootDir>/apps/server/test/postgresTeardown.ts',
};

const programs = postgresPrograms();
if (programs) process.env.KEYPOST_POSTGRES_BIN = programs;

/** @type {import('jest').Config} */
export default {
  projects: [
    {
      ...HOUSE,
      displayName: 'house',
      roots: ['<rootDir>/packages', '<rootDir>/apps/server'],
      testMatch: ['**/*.test.ts'],
      testPathIgnorePatterns: ['/node_modules/', '/postgres\\.test\\.ts$'],
      globalSetup: '<rootDir>/apps/server/test/emptyDatabase.ts',
    },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
      sandboxInjectedGlobals: LANGUAGE,
      rootDir: '<rootDir>/apps/app',
      setupFiles: [
        '<rootDir>/../../packages/core/src/messages/all/index.ts',
        '<rootDir>/test/browserParts.ts',
      ],
      setupFilesAfterEnv: ['<rootDir>/test/patience.ts'],
      testMatch: ['<rootDir>/src/**/*.test.ts?(x)'],
      transformIgnorePatterns: [
        '/node_modules/(?!((jest-)?react-native[^/]*|@react-native[^/]*|@react-navigation|expo[^/]*|@expo[^/]*|nativewind|lucide-react-native|@rn-primitives|uuid)/)',
      ],
      moduleNameMapper: {
        '\\.css$': '<rootDir>/src/ui/no-style.ts',
        '/here\\.ts$': '<rootDir>/../server/test/demoHere.ts',
        // The same code as modules that can be required.
        '^lucide-react-native/icons/(.*)$':
          '<rootDir>/../../node_modules/lucide-react-native/dist/cjs/icons/$1.js',
        '^(d3-scale|d3-shape)$': 'victory-vendor/$1',
      },
    },
    ...(programs ? [ON_POSTGRES] : []),
  ],
};
