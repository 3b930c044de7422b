const swc = (parser) => [
  '@swc/jest',
  { jsc: { target: 'es2022', parser, transform: { react: { runtime: 'automatic' } } }, module: { type: 'commonjs' } },
];

export default {
  displayName: 'web',
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  // Styles are for browsers.
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1', '\\.css$': '<rootDir>/noStyles.cjs' },
  transform: { '^.+\\.tsx?$': swc({ syntax: 'typescript', tsx: true }), '^.+\\.m?js$': swc({ syntax: 'ecmascript' }) },
  transformIgnorePatterns: [],
};
