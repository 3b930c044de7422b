export * from './band.js';
export * from './design.js';
export * from './dishSheet.js';
export * from './face.js';
export * from './ink.js';
export * from './laidCard.js';
export * from './mark.js';
export * from './signature.js';
