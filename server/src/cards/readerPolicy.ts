import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { cardFaceRules, SVG_RULES } from '../sheets/drawnSvg.js';
import { readerStyle } from './readerStyle.js';

/** What a reader's page runs, and how it looks: both stand in the page itself. */
export const READER_SCRIPT = readFileSync(new URL('../../assets/readerPage.js', import.meta.url), 'utf8');
export const READER_STYLE = cardFaceRules() + SVG_RULES + readerStyle();

/** What a reader's page may do: run its own script, look as its own style says, and nothing else; it asks for nothing from anywhere. */
export const READER_POLICY = `default-src 'none'; script-src ${hashOf(READER_SCRIPT)}; style-src ${hashOf(READER_STYLE)}; font-src data:; img-src data:; base-uri 'none'; form-action 'none'`;

/** How a policy names an element by what stands in it. */
export function hashOf(content: string): string {
  return `'sha256-${createHash('sha256').update(content).digest('base64')}'`;
}
