export * from './foodComparison.js';
export * from './swapEffect.js';
