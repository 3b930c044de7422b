import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';

/** What a reader's page runs: it stands in the page itself. */
export const READER_SCRIPT = readFileSync(new URL('../../assets/readerPage.js', import.meta.url), 'utf8');

/** What a reader's page may do: run its own script, and nothing else; it asks for nothing from anywhere. */
export const READER_POLICY = `default-src 'none'; script-src 'sha256-${createHash('sha256').update(READER_SCRIPT).digest('base64')}'; style-src 'unsafe-inline'; font-src data:; img-src data:; base-uri 'none'; form-action 'none'`;
