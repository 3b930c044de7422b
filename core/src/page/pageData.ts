import type { DataNode } from './markedData.js';

const DEEPEST = 12;
/** Pages of collections hold many; nobody chooses among more. */
const MOST_RECIPES = 50;

/** The recipes in a page's JSON-LD scripts, in a tangle of lists, graphs and main entities; those that hold ingredients. */
export function recipesInData(scripts: readonly string[]): DataNode[] {
  const found: DataNode[] = [];
  for (const script of scripts) gather(parsed(script), 0, found);
  return found;
}

/** The recipes among what a page marks. */
export function recipesAmong(nodes: readonly DataNode[]): DataNode[] {
  const found: DataNode[] = [];
  gather(nodes, 0, found);
  return found;
}

function gather(found: unknown, depth: number, into: DataNode[]): void {
  if (depth > DEEPEST || into.length >= MOST_RECIPES || typeof found !== 'object' || found === null) return;
  if (!Array.isArray(found) && isRecipe(found as DataNode)) {
    into.push(found as DataNode);
    return;
  }
  for (const inside of Object.values(found)) gather(inside, depth + 1, into);
}

function isRecipe(node: DataNode): boolean {
  const types = Array.isArray(node['@type']) ? (node['@type'] as unknown[]) : [node['@type']];
  return types.some((type) => typeof type === 'string' && /(?:^|[/:#])recipe$/i.test(type));
}

function parsed(script: string): unknown {
  const bare = script
    .replace(/^\s*(?:<!--|\/\*<!\[CDATA\[\*\/|<!\[CDATA\[)/, '')
    .trimEnd()
    .replace(/(?:-->|\/\*\]\]>\*\/|\]\]>)$/, '');
  for (const attempt of [() => bare, () => mendedJson(bare)]) {
    try {
      return JSON.parse(attempt()) as unknown;
    } catch {
      // The next, more forgiving, reading.
    }
  }
  return undefined;
}

/** JSON with its commonest slips mended: raw line ends within its texts, comments, a comma too many, a semicolon behind it. Gone over once. */
function mendedJson(text: string): string {
  return withoutCommas(withoutComments(text)).trimEnd().replace(/;$/, '');
}

function withoutComments(text: string): string {
  const pieces: string[] = [];
  let from = 0;
  let inText = false;
  for (let at = 0; at < text.length; at++) {
    const letter = text[at];
    if (inText && letter === '\\') at++;
    else if (letter === '"') inText = !inText;
    else if (!inText && letter === '/' && (text[at + 1] === '/' || text[at + 1] === '*')) {
      const [end, length] = text[at + 1] === '/' ? [text.indexOf('\n', at), 1] : [text.indexOf('*/', at), 2];
      pieces.push(text.slice(from, at));
      from = end < 0 ? text.length : end + length;
      at = from - 1;
    }
  }
  pieces.push(text.slice(from));
  return pieces.join('');
}

function withoutCommas(text: string): string {
  const pieces: string[] = [];
  let from = 0;
  let inText = false;
  for (let at = 0; at < text.length; at++) {
    const letter = text[at];
    if (inText && letter === '\\') at++;
    else if (letter === '"') inText = !inText;
    else if (inText && (letter === '\n' || letter === '\r' || letter === '\t')) {
      pieces.push(text.slice(from, at), letter === '\n' ? '\\n' : letter === '\t' ? ' ' : '');
      from = at + 1;
    } else if (!inText && letter === ',') {
      const next = /\S/g;
      next.lastIndex = at + 1;
      const behind = next.exec(text)?.[0];
      if (behind === '}' || behind === ']') {
        pieces.push(text.slice(from, at));
        from = at + 1;
      }
    }
  }
  pieces.push(text.slice(from));
  return pieces.join('');
}
