export * from './finding.js';
export * from './findingsOf.js';
export * from './foodFindings.js';
