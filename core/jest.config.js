const swc = (parser) => [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      keepClassNames: true,
      parser,
      transform: { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false },
    },
    module: { type: 'commonjs' },
  },
];

export default {
  displayName: 'core',
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/test'],
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
  transform: {
    '^.+\\.ts$': swc({ syntax: 'typescript', decorators: true }),
    '^.+\\.m?js$': ['@swc/jest', { jsc: { target: 'es2022', parser: { syntax: 'ecmascript' } }, module: { type: 'commonjs' } }],
  },
  transformIgnorePatterns: [],
};
