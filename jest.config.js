// Generous: a machine that is busy elsewhere is slow, not wrong. (A project's own limit is not read.)
export default { projects: ['<rootDir>/core', '<rootDir>/server', '<rootDir>/web'], testTimeout: 400_000 };
