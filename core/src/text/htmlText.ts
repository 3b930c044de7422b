import { Parser } from 'htmlparser2';

/** Elements that stand on a line of their own. */
const BLOCKS: ReadonlySet<string> = new Set(
  'p div li ul ol br h1 h2 h3 h4 h5 h6 tr section article header footer main table dt dd'.split(' '),
);
const SILENT: ReadonlySet<string> = new Set(['script', 'style', 'noscript', 'template', 'svg', 'nav']);

/** A page taken apart: its words line by line, and the data it carries for machines. */
export interface ReadPage {
  readonly lines: readonly string[];
  /** Contents of its JSON-LD scripts. */
  readonly data: readonly string[];
}

/** Reads markup, however broken: nothing of it is run, everything of it is text. */
export function readPage(html: string): ReadPage {
  const data: string[] = [];
  const lines: string[] = [''];
  let silent = 0;
  let script: string | undefined;
  const parser = new Parser(
    {
      onopentag(name, { type }) {
        if (SILENT.has(name)) silent++;
        if (name === 'script' && /ld\+json/i.test(type ?? '')) script = '';
        if (BLOCKS.has(name)) lines.push('');
      },
      ontext(text) {
        if (script !== undefined) script += text;
        else if (silent === 0) lines[lines.length - 1] += text;
      },
      onclosetag(name) {
        if (SILENT.has(name)) silent = Math.max(0, silent - 1);
        if (name === 'script' && script !== undefined) {
          data.push(script);
          script = undefined;
        }
        if (BLOCKS.has(name)) lines.push('');
      },
    },
    { decodeEntities: true },
  );
  parser.write(html);
  parser.end();
  return { lines: lines.map(tidyText).filter((line) => line !== ''), data };
}

/** Text of a piece that may hold markup and entities, its lines apart. */
export function plainLines(text: string): readonly string[] {
  // Entities are sometimes written twice: "&amp;frac12;".
  const once = /[<&]/.test(text) ? readPage(text.replace(/\r?\n/g, '<br>')).lines : text.split(/\r?\n/);
  return once.flatMap((line) => (/&[a-z#0-9]+;/i.test(line) ? readPage(line).lines : [tidyText(line)])).filter((line) => line !== '');
}

/** Freed of odd spaces. */
export function tidyText(text: string): string {
  return text.replace(/[\u00a0\u2000-\u200b\u202f\u3000\ufeff\s]+/gu, ' ').trim();
}
