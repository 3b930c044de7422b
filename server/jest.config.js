const swcTs = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      keepClassNames: true,
      parser: { syntax: 'typescript', tsx: true, decorators: true },
      transform: { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false, react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
];
const swcJs = ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'ecmascript' } }, module: { type: 'commonjs' } }];

export default {
  displayName: 'server',
  testEnvironment: 'node',
  globalSetup: '<rootDir>/test/globalSetup.mjs',
  globalTeardown: '<rootDir>/test/globalTeardown.mjs',
  roots: ['<rootDir>/src', '<rootDir>/test'],
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^@react-pdf/hyphenate/(.+)$': '<rootDir>/../node_modules/@react-pdf/hyphenate/lib/$1.js',
    '^@react-pdf/hyphenate$': '<rootDir>/../node_modules/@react-pdf/hyphenate/lib/index.js',
  },
  transform: { '^.+\\.tsx?$': swcTs, '^.+\\.m?js$': swcJs },
  transformIgnorePatterns: [],
};
