/** @type {import('jest').Config} */
export default {
  projects: [
    {
      displayName: 'house',
      testEnvironment: 'node',
      roots: ['<rootDir>/packages', '<rootDir>/apps/server'],
      testMatch: ['**/*.test.ts'],
      // The tests' module format has no import.meta.
      moduleNameMapper: { '/here\\.ts$': '<rootDir>/apps/server/test/demoHere.ts' },
      transform: { '\\.[jt]sx?$': ['babel-jest', { presets: ['babel-preset-expo'], configFile: false }] },
      transformIgnorePatterns: ['/node_modules/(?!(@keypost)/)'],
    },
    {
      displayName: 'app',
      preset: 'jest-expo/web',
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
