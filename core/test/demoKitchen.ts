import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Kitchen, type KitchenContent } from '../src/index.js';

const demo = JSON.parse(readFileSync(join(__dirname, '../../demo/saltmarsh-suppers.json'), 'utf8')) as KitchenContent;

/** The demo's kitchen, on a fixed day. */
export const demoKitchen = new Kitchen({
  ...demo,
  settings: { currency: 'EUR', measures: 'metric', rules: 'plain', staples: 'counted', date: '2026-11-25' },
});
