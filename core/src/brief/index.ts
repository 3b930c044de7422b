export * from './briefJudgement.js';
