import { Parser } from 'htmlparser2';
import { evenText } from './evenText.js';
import { MarkedData, type DataNode } from './markedData.js';

/** Elements that stand on a line of their own. */
const BLOCKS: ReadonlySet<string> = new Set(
  'p div li ul ol br h1 h2 h3 h4 h5 h6 tr section article header footer main table dt dd figcaption blockquote'.split(' '),
);
const SILENT: ReadonlySet<string> = new Set('script style noscript template svg nav footer aside button select form'.split(' '));
const HEADINGS: ReadonlySet<string> = new Set('h1 h2 h3 h4 h5 h6'.split(' '));
/** What stands on pages around a recipe, by the names its elements are given. */
const AROUND =
  /(?:^|[\s_-])(?:comments?|respond|related|sidebar|share|sharing|newsletter|breadcrumbs?|menu|cookie|advert|promo)(?:$|[\s_-])/i;
const VOID: ReadonlySet<string> = new Set('br hr img input meta link source wbr area base col embed track param'.split(' '));

/** A page taken apart: its words line by line, and the data it carries for machines. */
export interface ReadPage {
  /** Headings begin with "# ". */
  readonly lines: readonly string[];
  /** Contents of its JSON-LD scripts. */
  readonly data: readonly string[];
  /** What its elements are marked as, by microdata and RDFa. */
  readonly marked: readonly DataNode[];
  /** What the page calls itself. */
  readonly title: string;
  /** What was passed over around the recipe. */
  readonly around: boolean;
}

/** Reads markup, however broken: nothing of it is run, everything of it is text. */
export function readPage(html: string): ReadPage {
  const data: string[] = [];
  const lines: string[] = [''];
  const marked = new MarkedData();
  /** Depth at which what is passed over began. */
  let silentFrom: number | undefined;
  let depth = 0;
  let around = false;
  let script: string | undefined;
  let heading = '';
  let title = '';
  let inTitle = false;
  /** Scripts and styles that are open. */
  let scripts = 0;
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (!VOID.has(name)) {
          depth++;
          if (name === 'script' || name === 'style') scripts++;
        }
        const passed = SILENT.has(name) || AROUND.test(`${attributes.class ?? ''} ${attributes.id ?? ''}`);
        if (silentFrom === undefined && passed && !VOID.has(name) && !/recipe/i.test(attributes.class ?? '')) {
          silentFrom = depth;
          around ||= !/script|style|svg|template/.test(name);
        }
        if (name === 'script' && /ld\+json/i.test(attributes.type ?? '')) script = '';
        if (name === 'title' && title === '') inTitle = true;
        if (name === 'meta' && /^og:title$/i.test(attributes.property ?? '') && attributes.content) title = attributes.content;
        if (BLOCKS.has(name)) {
          lines.push('');
          marked.text('\n');
        }
        if (HEADINGS.has(name)) heading = '# ';
        marked.open(attributes, VOID.has(name) ? undefined : depth);
      },
      ontext(text) {
        if (script !== undefined) script += text;
        else if (inTitle) title += text;
        else {
          if (scripts === 0) marked.text(text);
          if (silentFrom === undefined) {
            const at = lines.length - 1;
            if (heading !== '' && text.trim() !== '') {
              lines[at] += heading;
              heading = '';
            }
            lines[at] += text;
          }
        }
      },
      onclosetag(name) {
        if (VOID.has(name)) {
          if (BLOCKS.has(name)) lines.push('');
          return;
        }
        if (name === 'script' && script !== undefined) {
          data.push(script);
          script = undefined;
        }
        if (name === 'title') inTitle = false;
        if (HEADINGS.has(name)) heading = '';
        if (BLOCKS.has(name)) {
          lines.push('');
          marked.text('\n');
        }
        marked.close(depth);
        if (silentFrom === depth) silentFrom = undefined;
        depth--;
        if (name === 'script' || name === 'style') scripts--;
      },
    },
    { decodeEntities: true },
  );
  parser.write(html);
  parser.end();
  return {
    lines: lines.map(evenText).filter((line) => line !== '' && line !== '#'),
    data,
    marked: marked.nodes,
    title: evenText(title),
    around,
  };
}

/** Text of a piece that may hold markup and entities, its lines apart. */
export function plainLines(text: string): readonly string[] {
  // Entities are sometimes written twice: "&amp;frac12;".
  const once = /[<&]/.test(text) ? readPage(text.replace(/\r?\n/g, '<br>')).lines : text.split(/\r?\n/);
  return once
    .flatMap((line) => (/&[a-z#0-9]+;/i.test(line) ? readPage(line).lines : [evenText(line)]))
    .map((line) => line.replace(/^# /, ''))
    .filter((line) => line !== '');
}
