import { leadingAmount } from './leadingNumber.js';
import { plainLines, readPage, tidyText } from './htmlText.js';

/** Lines that belong together, as "For the dressing". */
export interface ReadSection {
  readonly name: string;
  readonly lines: readonly string[];
}

/** A recipe as it was read, for a person to look over: text, nothing matched yet. */
export interface ReadRecipe {
  readonly title: string;
  readonly servings: number | undefined;
  readonly servingName: string | undefined;
  readonly sections: readonly ReadSection[];
  readonly steps: readonly string[];
  readonly activeMinutes: number | undefined;
  readonly totalMinutes: number | undefined;
  /** Where it says it is from. */
  readonly source: string | undefined;
}

const MOST_LETTERS = 2_000_000;

/**
 * Reads a recipe from what a person has: schema.org/Recipe data, a saved page that carries it, a page without, or plain text with
 * a list and a method. Nothing is invented: what is not said is undefined.
 *
 * @returns undefined when no ingredient is found
 */
export function readRecipe(text: string): ReadRecipe | undefined {
  const given = text.slice(0, MOST_LETTERS).trim();
  if (/^[[{]/.test(given)) return fromData([given]);
  if (/<\/?[a-z][^<>]*>/i.test(given)) {
    const { data, lines } = readPage(given);
    return fromData(data) ?? fromLines(lines);
  }
  return fromLines(given.split(/\r?\n/).map(tidyText));
}

type Node = Readonly<Record<string, unknown>>;

function fromData(scripts: readonly string[]): ReadRecipe | undefined {
  for (const script of scripts) {
    const recipe = recipeIn(parsed(script), 0);
    if (recipe) return fromNode(recipe);
  }
  return undefined;
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

/** JSON with its commonest slips mended: raw line ends within its texts, a comma too many, a semicolon behind it. Gone over once. */
function mendedJson(text: string): string {
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
  return pieces.join('').trimEnd().replace(/;$/, '');
}

const DEEPEST = 12;

/** The recipe in a tangle of lists, graphs and main entities. */
function recipeIn(found: unknown, depth: number): Node | undefined {
  if (depth > DEEPEST || typeof found !== 'object' || found === null) return undefined;
  if (!Array.isArray(found) && isRecipe(found as Node)) return found as Node;
  for (const inside of Object.values(found)) {
    const recipe = recipeIn(inside, depth + 1);
    if (recipe) return recipe;
  }
  return undefined;
}

function isRecipe(node: Node): boolean {
  const types = Array.isArray(node['@type']) ? (node['@type'] as unknown[]) : [node['@type']];
  return types.some((type) => typeof type === 'string' && /(?:^|[/:#])recipe$/i.test(type));
}

function fromNode(node: Node): ReadRecipe | undefined {
  const ingredients = textsOf(node.recipeIngredient ?? node.ingredients);
  if (ingredients.length === 0) return undefined;
  const served = yieldOf(textsOf(node.recipeYield ?? node.yield));
  return {
    title: textsOf(node.name ?? node.headline)[0] ?? '',
    ...served,
    sections: sectionsOf(ingredients),
    steps: stepsOf(node.recipeInstructions, 0),
    activeMinutes: minutesOf(node.prepTime),
    totalMinutes: minutesOf(node.totalTime) ?? sumOf(minutesOf(node.prepTime), minutesOf(node.cookTime)),
    source: sourceOf(node),
  };
}

function textsOf(found: unknown): string[] {
  if (typeof found === 'string') return [...plainLines(found)];
  if (typeof found === 'number') return [String(found)];
  if (Array.isArray(found)) return found.flatMap(textsOf);
  if (typeof found === 'object' && found !== null) {
    const { name, text, value } = found as Node;
    return textsOf(text ?? name ?? value);
  }
  return [];
}

/** Steps out of text, lists, sections and lists of sections; the name of a section stands before its first step. */
function stepsOf(found: unknown, depth: number): string[] {
  if (depth > DEEPEST) return [];
  if (typeof found === 'string')
    return plainLines(found)
      .map(withoutNumber)
      .filter((step) => step !== '');
  if (Array.isArray(found)) return found.flatMap((one) => stepsOf(one, depth + 1));
  if (typeof found !== 'object' || found === null) return [];
  const { itemListElement, text, name, steps } = found as Node;
  if (itemListElement !== undefined || steps !== undefined) {
    const inside = stepsOf(itemListElement ?? steps, depth + 1);
    const [title] = textsOf(name);
    return title === undefined || inside.length === 0 ? inside : [`${title.replace(/:$/, '')}: ${inside[0] ?? ''}`, ...inside.slice(1)];
  }
  return stepsOf(text ?? name, depth + 1);
}

function sourceOf({ url, mainEntityOfPage, '@id': id, isBasedOn }: Node): string | undefined {
  const page = typeof mainEntityOfPage === 'object' && mainEntityOfPage !== null ? (mainEntityOfPage as Node)['@id'] : mainEntityOfPage;
  return [url, isBasedOn, page, id].find((one): one is string => typeof one === 'string' && /^https?:\/\//.test(one))?.slice(0, 500);
}

/** Minutes of an ISO 8601 duration. */
function minutesOf(found: unknown): number | undefined {
  const [text = ''] = textsOf(found);
  const parts = /^P(?:(\d+(?:\.\d+)?)D)?T?(?:(\d+(?:\.\d+)?)H)?(?:(\d+(?:\.\d+)?)M)?(?:(\d+(?:\.\d+)?)S)?$/i.exec(text);
  if (!parts || parts.slice(1).every((part) => part === undefined)) return undefined;
  const [days, hours, minutes, seconds] = parts.slice(1).map((part) => Number(part ?? 0)) as [number, number, number, number];
  const sum = days * 1440 + hours * 60 + minutes + seconds / 60;
  return sum > 0 ? Math.round(sum) : undefined;
}

function sumOf(one: number | undefined, other: number | undefined): number | undefined {
  return one === undefined && other === undefined ? undefined : (one ?? 0) + (other ?? 0);
}

const SERVES =
  /\b(?:serves|servings?|makes|yields?|feeds|for|portions?|ergibt|für|pour)\b ?:? ?(?:about|approx\.?|around|ca\.?)? ?(\d{1,3})(?: ?(?:-|–|to) ?\d{1,3})? ?(\p{L}+)?/iu;
const SERVINGS_AFTER =
  /\b(\d{1,3})(?: ?(?:-|–|to) ?\d{1,3})? (servings?|portions?|boxes|people|persons|muffins|bars|rolls|jars|bowls|pieces|wraps|pots|sachets)\b/iu;
const PEOPLE = /^(?:people|persons|servings?|portions?|serves|as|to|or|and|with|hungry|adults?)$/i;

/** Servings of "Serves 4 to 6", "12 muffins", "4": of a range the lower. */
function yieldOf(texts: readonly string[]): Pick<ReadRecipe, 'servings' | 'servingName'> {
  for (const text of texts) {
    const found = SERVINGS_AFTER.exec(text) ?? SERVES.exec(text) ?? /^(\d{1,3}) ?(\p{L}+)?$/u.exec(text);
    const servings = Number(found?.[1]);
    if (found && servings >= 1) {
      const named = texts.map((one) => SERVINGS_AFTER.exec(one)?.[2]).find((word) => word !== undefined && !PEOPLE.test(word)) ?? found[2];
      return { servings, servingName: named === undefined || PEOPLE.test(named) ? undefined : singular(named.toLowerCase()) };
    }
  }
  return { servings: undefined, servingName: undefined };
}

function singular(word: string): string {
  return word === 'boxes' ? 'box' : word.replace(/(?<=[^s])s$/, '');
}

const INGREDIENTS = /^(?:#+\s*)?(?:the\s+)?ingredients?(?:\s+list)?\s*:?$/i;
const METHOD = /^(?:#+\s*)?(?:method|instructions?|directions?|preparation|steps|how to make it|to make|procedure)\s*:?$/i;
const BULLET = /^\s*(?:[-*•▢☐□▪◦·–—]|\[\s?\])\s+/u;
const NUMBERED = /^\s*(?:step\s*)?\d{1,2}\s*[.):]\s+/i;

/** Plain text: a title, who it serves, a list, a method, with or without headings over them. */
function fromLines(lines: readonly string[]): ReadRecipe | undefined {
  const said = lines.map((text, at) => ({ text, at })).filter(({ text }) => text !== '');
  const listAt = said.findIndex(({ text }) => INGREDIENTS.test(text));
  const methodAt = said.findIndex(({ text }, i) => i > listAt && METHOD.test(text));
  const begins = listAt >= 0 ? listAt + 1 : said.findIndex(({ text }) => isIngredient(text));
  if (begins < 0) return undefined;
  const ends = methodAt >= 0 ? methodAt : endOfList(said, begins);
  const head = said.slice(0, listAt >= 0 ? listAt : begins).map(({ text }) => text);
  const list = said.slice(begins, ends).map(({ text }) => text.replace(BULLET, ''));
  const rest = said.slice(methodAt >= 0 ? methodAt + 1 : ends).map(({ text }) => withoutNumber(text.replace(BULLET, '')));
  if (list.length === 0) return undefined;
  const served = yieldOf([...head, ...list.slice(0, 1)].filter((text) => SERVES.test(text) || SERVINGS_AFTER.test(text)));
  const title = head.find((text) => !SERVES.test(text) || text.length > 40 || !/\d/.test(text)) ?? '';
  return {
    title: title.replace(/^#+\s*/, ''),
    ...served,
    sections: sectionsOf(list.filter((text) => !isServing(text))),
    steps: rest.filter((text) => text !== ''),
    activeMinutes: undefined,
    totalMinutes: undefined,
    source: undefined,
  };
}

/** A list without a heading over the method ends where lines become sentences, or are numbered and say what to do. */
function endOfList(said: readonly { readonly text: string }[], begins: number): number {
  for (let i = begins; i < said.length; i++) {
    const { text } = said[i] ?? { text: '' };
    const numbered = NUMBERED.test(text) && !leadingAmount(withoutNumber(text));
    if (
      numbered ||
      (text.length > 90 && !isIngredient(text)) ||
      (/[a-z]{3}[.!]$/i.test(text) && text.split(' ').length > 5 && !leadingAmount(text.replace(BULLET, '')))
    )
      return i;
  }
  return said.length;
}

function isIngredient(text: string): boolean {
  const bare = text.replace(BULLET, '');
  return (
    text.length < 140 &&
    !isServing(text) &&
    (leadingAmount(bare) !== undefined || /\bto taste\b|^(?:a\s+)?(?:pinch|handful|knob|dash|splash|drizzle)\b/i.test(bare))
  );
}

function isServing(text: string): boolean {
  return /^(?:serves|servings?|makes|yields?)\b/i.test(text) || /^\d+\s+(?:servings?|portions?|people)\.?$/i.test(text);
}

function withoutNumber(text: string): string {
  return text.replace(NUMBERED, '').trim();
}

const SECTION = /^(?:#+ ?)?(?:for (?:the )?)?(.{2,50}?) ?:$|^for (?:the )?(.{2,40})$/i;

/** Lines under the headings among them: "For the dressing", "Dressing:". */
function sectionsOf(lines: readonly string[]): readonly ReadSection[] {
  const sections: { name: string; lines: string[] }[] = [{ name: '', lines: [] }];
  for (const line of lines) {
    const heading = leadingAmount(line) ? undefined : SECTION.exec(line);
    const name = heading?.[1] ?? heading?.[2];
    if (name !== undefined) sections.push({ name: name.charAt(0).toUpperCase() + name.slice(1), lines: [] });
    else sections.at(-1)?.lines.push(line);
  }
  return sections.filter((section) => section.lines.length > 0);
}
