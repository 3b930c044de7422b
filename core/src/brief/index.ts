export * from './briefGround.js';
export * from './briefJudgement.js';
