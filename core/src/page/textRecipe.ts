import { leadingAmount, trimmed } from '../text/index.js';
import { dressed, ingredientSections, partName, zoneOf, type Zone } from './headings.js';
import type { StatedNutrition } from '../recipe/index.js';
import type { ReadRecipe, ReadStep } from './readRecipe.js';
import { saidTimes, type SaidTimes } from './recipeMinutes.js';
import { recipeYield, saysYield, yieldWithin } from './recipeYield.js';
import { statedInText } from './statedNutrition.js';
import { isNumbered, stepsOfText, withoutNumber } from './stepsOfText.js';

const BULLET = /^\s*(?:[-*•▢☐□▪◦·–—‣●○✓✔☑]|\[\s?[xX]?\s?\])\s+/u;
const LONGEST_INGREDIENT = 140;
/** More than a book has for a dish. */
const MOST_LINES = 5000;
/** Words of pages that are for pressing, and headings of tables: no part of a recipe. */
const NO_WORDS =
  /^(?:print(?: recipe)?|pin(?: it)?|save|share|jump to (?:recipe|video)|rate (?:this )?recipe|us customary(?: ?[-–/|] ?metric)?|metric(?: ?[-–/|] ?us customary)?|(?:[123]\/?2?x ?){1,4}|cook mode.*|prevent your screen.*|[★☆⭐]{3}.*|add to .{0,20}|(?:amount|qty|quantity|unit|units|ingredient|ingredients|item|measure|menge|einheit|zutat)(?: (?:amount|qty|quantity|unit|units|ingredient|ingredients|item|measure|menge|einheit|zutat)){1,3})$/iu;
const TO_TASTE =
  /\bto taste\b|^(?:a\s+)?(?:good |generous |small |big )?(?:pinch|handful|knob|dash|splash|drizzle|glug|squeeze)\b|^optional\b/iu;
/** "oats 150 g", "apple 2" */
const AMOUNT_BEHIND =
  /^\p{L}[\p{L} ,'’()-]{1,40}[ :]\d{1,5}(?:[.,/]\d{1,3})? ?(?:g|kg|ml|l|dl|cl|tbsp|tsp|cups?|oz|lbs?|cloves?|cans?|tins?|bunch|el|tl)?$/iu;

interface Line {
  readonly text: string;
  /** Whether an empty line stands before it. */
  readonly apart: boolean;
  readonly bullet: boolean;
}

/** Plain text: a title, who it serves, a list, a method, with or without headings over them; several where several stand in it. */
export function textRecipes(all: readonly string[], pageTitle = ''): ReadRecipe[] {
  const given = all.slice(0, MOST_LINES);
  const lines: Line[] = [];
  let apart = true;
  for (const text of given) {
    if (text === '') apart = true;
    else {
      // "— Mash —" is a heading.
      const bullet = BULLET.test(text) && !/[-–—]$/.test(text);
      lines.push({ text: bullet ? text.replace(BULLET, '').trim() : text, apart, bullet });
      apart = false;
    }
  }
  const unread = all.length - given.length;
  return pieces(lines).flatMap((piece) => {
    const recipe = textRecipe(piece, pageTitle);
    if (!recipe) return [];
    return unread > 0
      ? [{ ...recipe, left: [...recipe.left, `${unread} further lines: a recipe is read up to its ${MOST_LINES}th`] }]
      : [recipe];
  });
}

const NUMBERED_RECIPE = /^(?:#+ *)?(?:recipe|rezept|recette|receta) ?(?:no\.? ?)?\d{1,2} ?[:.)-] */i;

/** The recipes of a text: where each says its number, or where a second list of ingredients begins behind a method. */
function pieces(lines: readonly Line[]): Line[][] {
  const starts: number[] = [];
  let methodSeen = false;
  lines.forEach(({ text }, i) => {
    const zone = zoneOf(text)?.zone;
    if (NUMBERED_RECIPE.test(text)) {
      starts.push(i);
      methodSeen = false;
    } else if (zone === 'method') methodSeen = true;
    else if (zone === 'ingredients' && methodSeen) {
      methodSeen = false;
      const begins = titleBefore(lines, i);
      if (begins > (starts.at(-1) ?? -1)) starts.push(begins);
    }
  });
  const from = starts.filter((start) => start > 0);
  return [0, ...from].map((start, i) => lines.slice(start, from[i] ?? lines.length)).filter((piece) => piece.length > 0);
}

/** Where the head of a recipe begins: behind the last empty line but those within the head. */
function titleBefore(lines: readonly Line[], list: number): number {
  for (let i = list - 1; i > Math.max(0, list - 8); i--) if (lines[i]?.apart && !saysYield(lines[i]?.text ?? '')) return i;
  return list;
}

function textRecipe(lines: readonly Line[], pageTitle: string): ReadRecipe | undefined {
  const inline = oneLine(lines);
  if (inline) return inline;
  const begins = listBegins(lines);
  if (begins === undefined) return undefined;
  const head = lines.slice(0, begins.at);
  const state: Collected = { list: [], steps: [], left: [], stated: undefined, times: [], yields: [], within: [] };
  readHead(head, state);
  readBody(lines, begins, state);
  if (state.list.length === 0) return undefined;
  const title = titleOf(head) || pageTitle;
  const served = recipeYield([...(state.yields.length > 0 ? state.yields : state.within), title].filter((text) => text !== ''));
  const fromTitle = state.yields.length === 0 && state.within.length === 0 && !/\([^()]{0,40}\d/.test(title);
  const time = (of: keyof SaidTimes) => state.times.map((times) => times[of]).find((minutes) => minutes !== undefined);
  const [active, cook] = [time('active'), time('cook')];
  return {
    title: title.replace(NUMBERED_RECIPE, ''),
    ...(fromTitle ? { servings: undefined, servingName: undefined } : served),
    sections: ingredientSections(state.list),
    steps: state.steps,
    activeMinutes: active,
    totalMinutes: time('total') ?? (active === undefined && cook === undefined ? undefined : (active ?? 0) + (cook ?? 0)),
    source: undefined,
    stated: state.stated,
    left: state.left,
  };
}

interface Collected {
  readonly list: string[];
  readonly steps: ReadStep[];
  readonly left: string[];
  stated: StatedNutrition | undefined;
  readonly times: SaidTimes[];
  readonly yields: string[];
  /** Yields told within sentences: they count where nothing else says it. */
  readonly within: string[];
}

/** Where the list begins, and whether a heading says so. */
function listBegins(lines: readonly Line[]): { readonly at: number; readonly named: boolean } | undefined {
  const named = lines.findIndex(({ text }) => zoneOf(text)?.zone === 'ingredients');
  if (named >= 0) return { at: named, named: true };
  const needed = neededToCook(lines);
  const first = lines.findIndex((line) => isIngredient(line.text) && !needed.has(line));
  if (first < 0) return undefined;
  // A list without a heading is one only where more than a line of it stands together, or what follows says what to do.
  const together = lines.slice(first, first + 6).filter(({ text }) => isIngredient(text)).length;
  const method = lines.some(({ text }, i) => i > first && zoneOf(text)?.zone === 'method');
  const alone = lines.length <= 2 && leadingAmount(lines[first]?.text ?? '') !== undefined;
  if (together < 2 && !method && !alone) return undefined;
  const before = lines[first - 1];
  const heads =
    before !== undefined &&
    first > 1 &&
    (dressed(before.text).heading || standsAlone(lines, first - 1)) &&
    !saysYield(before.text) &&
    titleOf(lines.slice(0, first - 1)) !== '';
  return { at: heads ? first - 1 : first, named: false };
}

/** Lines under a heading for what is needed to cook it. */
function neededToCook(lines: readonly Line[]): ReadonlySet<Line> {
  const needed = new Set<Line>();
  let equipment = false;
  for (const line of lines) {
    const zone = zoneOf(line.text)?.zone;
    if (zone !== undefined) equipment = zone === 'equipment';
    else if (equipment) needed.add(line);
  }
  return needed;
}

/** A short line without an amount between empty lines, over lines of a list: a heading. */
function standsAlone(lines: readonly Line[], i: number): boolean {
  const [line, next] = [lines[i], lines[i + 1]];
  if (!line || !next || line.bullet || !line.apart || !next.apart || line.text.length > 40) return false;
  return !leadingAmount(line.text) && !/[.!?,;]$/.test(line.text) && isIngredient(next.text) && !saysYield(line.text);
}

function readHead(head: readonly Line[], into: Collected): void {
  let equipment = false;
  for (const { text } of head) {
    const zone = zoneOf(text);
    if (zone?.zone === 'equipment') equipment = true;
    if (equipment) {
      into.left.push(text);
      continue;
    }
    const times = saidTimes(text);
    if (times) into.times.push(times);
    const within = yieldWithin(text);
    if (within !== undefined && !saysYield(text)) into.within.push(within);
    for (const piece of text.split(/[|·•]/).map((one) => trimmed(one, '*_ '))) if (saysYield(piece)) into.yields.push(piece);
  }
}

function readBody(lines: readonly Line[], begins: { readonly at: number; readonly named: boolean }, into: Collected): void {
  let zone: Zone = 'ingredients';
  let section: string | undefined;
  const parts = new Set<string>();
  const twice = repeated(lines.slice(begins.at));
  for (let i = begins.at; i < lines.length; i++) {
    const line = lines[i];
    if (!line || NO_WORDS.test(line.text)) continue;
    const opened = zoneOf(line.text);
    if (opened) {
      zone = opened.zone;
      section = undefined;
      const within = yieldWithin(line.text) ?? /\bfor \d{1,3}\b[^)]{0,20}/i.exec(line.text)?.[0];
      if (within !== undefined) into.yields.push(within);
      const times = opened.rest === '' ? saidTimes(line.text.replace(/[()]/g, ';')) : undefined;
      if (times) into.times.push(times);
      if (zone === 'nutrition')
        into.stated ??= statedInText(
          `${line.text}\n${lines
            .slice(i + 1, i + 12)
            .map(({ text }) => text)
            .join('\n')}`,
        );
      if (opened.rest !== '') takeLine({ ...line, text: opened.rest }, zone, section, into);
      continue;
    }
    if (zone === 'ingredients') {
      if (saysYield(line.text)) {
        into.yields.push(line.text);
        continue;
      }
      const { bare, heading } = dressed(line.text);
      if (heading && endsList(lines[i + 1] ?? line, 1) && !isNumbered(lines[i + 1]?.text ?? '')) {
        // "So it goes:" over sentences.
        zone = 'method';
        continue;
      }
      if (heading || standsAlone(lines, i) || twice.has(line.text.toLowerCase())) {
        // A heading called like a part whose lines are read already begins the method.
        const { name } = partName(heading ? bare : line.text);
        if (parts.has(name)) {
          zone = 'method';
          section = name;
        } else {
          parts.add(name);
          into.list.push(heading ? `${bare}:` : `${line.text}:`);
        }
        continue;
      }
      if (endsList(line, into.list.length)) zone = 'method';
    } else if (zone === 'method') {
      const { bare, heading } = dressed(line.text);
      if ((heading || twice.has(line.text.toLowerCase())) && !isNumbered(line.text) && !/^step ?\d/i.test(bare)) {
        section = partName(bare).name;
        continue;
      }
      const stated = /^(?:nutrition|per (?:serving|portion|box))\b/i.test(line.text) ? statedInText(line.text) : undefined;
      if (stated) {
        into.stated ??= stated;
        continue;
      }
    }
    takeLine(line, zone, section, into);
  }
}

/** Short lines without an amount that stand there twice, over a list and over its method: names of parts. */
function repeated(lines: readonly Line[]): ReadonlySet<string> {
  const seen = new Set<string>();
  const twice = new Set<string>();
  for (const { text, bullet } of lines) {
    if (bullet || text.length > 40 || leadingAmount(text) || /[.!?,;]$/.test(text) || text.split(' ').length > 4) continue;
    const key = text.toLowerCase();
    if (seen.has(key)) twice.add(key);
    seen.add(key);
  }
  return twice;
}

function takeLine(line: Line, zone: Zone, section: string | undefined, into: Collected): void {
  if (zone === 'ingredients') into.list.push(trimmed(line.text, '*'));
  else if (zone === 'method') into.steps.push(...stepsOfText([line.text], section));
  else if (zone !== 'nutrition') into.left.push(line.text);
}

/** A list without a heading over the method ends where lines become sentences, or are numbered and say what to do. */
function endsList({ text }: Line, before: number): boolean {
  if (before === 0) return false;
  const amount = leadingAmount(text);
  if (isNumbered(text) && !leadingAmount(withoutNumber(text))) return true;
  if (text.length > 90 && !isIngredient(text)) return true;
  if (!amount && /\p{L}{2}[.!] \p{Lu}/u.test(text)) return true;
  return !amount && /\p{L}{2}[.!]$/u.test(text) && /^\p{Lu}/u.test(text) && text.split(' ').length > 3;
}

function isIngredient(text: string): boolean {
  if (text.length >= LONGEST_INGREDIENT || saysYield(text) || saidTimes(text) !== undefined) return false;
  if (/\p{L}{2}[.!?]$/u.test(text) && text.split(' ').length > 8) return false;
  return leadingAmount(text) !== undefined || TO_TASTE.test(text) || AMOUNT_BEHIND.test(text);
}

/** "Chicken traybake  Serves 4  Prep 10 mins" */
function withoutYield(text: string): string {
  const from = / (?:serves|makes|prep|cook|feeds)[ :]{1,2}(?:time:? )?\d/i.exec(text.slice(0, 200));
  return from && from.index > 0 ? text.slice(0, from.index) : text;
}

/** The first short line of a head that is no yield, time, heading of a zone or sentence; else its first. */
function titleOf(head: readonly Line[]): string {
  const plain = head
    .map(({ text }) => dressed(withoutYield(text)))
    .map(({ bare }) => trimmed(bare, '*_# '))
    .filter((text) => text !== '' && !NO_WORDS.test(text) && !saysYield(text) && zoneOf(text) === undefined && !timesOnly(text));
  return plain.find((text) => text.length <= 80 && !/[.!]$/.test(text)) ?? plain[0] ?? '';
}

function timesOnly(text: string): boolean {
  return saidTimes(text) !== undefined && text.split(/[|·•]/).every((piece) => saidTimes(piece) !== undefined || saysYield(piece.trim()));
}

/** "Quick hummus: 1 can chickpeas, 60 g tahini, 1 lemon. Blend until smooth." */
function oneLine(lines: readonly Line[]): ReadRecipe | undefined {
  const [line] = lines;
  if (!line || lines.length > 2) return undefined;
  const found = /^([^:\d]{3,60}): (.+?)(?:\. +(\p{Lu}.*))?$/u.exec(line.text);
  const list = (found?.[2] ?? '').split(/,\s+|;\s+/);
  if (!found || list.length < 3 || !list.every((piece) => leadingAmount(piece) !== undefined || TO_TASTE.test(piece))) return undefined;
  const rest = [found[3] ?? '', ...lines.slice(1).map(({ text }) => text)].filter((text) => text !== '');
  return {
    title: found[1]?.trim() ?? '',
    servings: undefined,
    servingName: undefined,
    sections: [{ name: '', lines: list }],
    steps: stepsOfText(rest),
    activeMinutes: undefined,
    totalMinutes: undefined,
    source: undefined,
    stated: undefined,
    left: [],
  };
}
