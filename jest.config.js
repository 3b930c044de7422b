export default { projects: ['<rootDir>/core', '<rootDir>/server', '<rootDir>/web'] };
