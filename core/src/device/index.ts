export * from './scaleLines.js';
export * from './simulatedScale.js';
