/**
 * Tests run in a context of its own, in which looking up what belongs to the language is slow: it triples the time of
 * the solver. Handed in with each module, it is as quick as anywhere.
 */
const LANGUAGE = [
  ...['Array', 'Boolean', 'Error', 'Infinity', 'JSON', 'Map', 'Math', 'Number', 'Object', 'Set', 'String'],
  ...['BigInt', 'Date', 'Float64Array', 'Uint8Array', 'WeakMap'],
];

/** @type {import('jest').Config} */
export default {
  projects: [
    {
      displayName: 'house',
      testEnvironment: 'node',
      sandboxInjectedGlobals: LANGUAGE,
      roots: ['<rootDir>/packages', '<rootDir>/apps/server'],
      testMatch: ['**/*.test.ts'],
      // The tests' module format has no import.meta.
      moduleNameMapper: { '/here\\.ts$': '<rootDir>/apps/server/test/demoHere.ts' },
      transform: {
        '\\.[jt]s$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } }],
      },
      transformIgnorePatterns: ['/node_modules/(?!(@keypost)/)'],
    },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
      sandboxInjectedGlobals: LANGUAGE,
      rootDir: '<rootDir>/apps/app',
      testMatch: ['<rootDir>/src/**/*.test.ts?(x)'],
      transformIgnorePatterns: [
        '/node_modules/(?!((jest-)?react-native[^/]*|@react-native[^/]*|@react-navigation|expo[^/]*|@expo[^/]*|nativewind|lucide-react-native|uuid)/)',
      ],
      moduleNameMapper: {
        '\\.css$': '<rootDir>/src/ui/no-style.ts',
        // The same code as modules that can be required.
        '^(d3-scale|d3-shape)$': 'victory-vendor/$1',
      },
    },
  ],
};
