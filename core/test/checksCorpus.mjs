// Kitchens with planted faults, decoys and clean wordings, written down in core/test/checks: read, made and scored.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { join } from 'node:path';

const HERE = fileURLToPath(new URL('.', import.meta.url));
const SEEN = '2026-05-04';
const DATE = '2026-06-01';
/** Foods that stand in every kitchen and in no dish's list unless it says so. */
const ON_THE_SHELF =
  'butter-unsalted milk-whole milk-semi cream-double cheddar parmesan-style feta-style yoghurt-whole egg flour-wheat-white-plain rice-basmati-dry pasta-white-dry potato-floury sweet-potato carrot celery onion-white leek garlic ginger ginger-ground lemon lemon-juice lime-juice spinach kale mushroom-chestnut tomato tomato-cherry tomatoes-chopped-canned courgette cucumber lettuce-romaine parsley-fresh coriander-fresh basil-fresh mint-fresh dill-fresh chives-fresh paprika-smoked chilli-flakes cinnamon-ground black-pepper sugar-brown honey maple-syrup jam soy-sauce fish-sauce vinegar-cider vinegar-rice mustard-dijon mayonnaise tahini peanut-butter-smooth almonds walnuts sesame-seeds oil-olive oil-sesame stock-chicken stock-vegetable chickpeas-canned beans-butter-canned sweetcorn-canned coconut-milk soured-cream wine-red water raisins bread-wholemeal pitta-white banana capers-in-brine olives-black anchovies bacon-back beef-mince-5 prawns peas-frozen broccoli spring-onion chilli-red baking-powder'.split(
    ' ',
  );

/** Parts of the corpus in the order they were written; each was scored unseen before anything was changed for it. */
export const CORPUS_PARTS = ['first', 'second', 'third', 'fourth', 'fifth'];

/**
 * Figures of a serving that a change of the corpus may be stated as a share of.
 *
 * @param of the figure that a card shows, by its nutrient
 * @param cost what is used, per serving
 */
export function shareFigures(of, cost) {
  return {
    kcal: of('energyKcal'),
    kJ: of('energyKj'),
    protein: of('protein'),
    fat: of('fat'),
    fibre: of('fibre'),
    sugars: of('sugars'),
    salt: of('salt'),
    carbs: of('carbohydrate'),
    cost,
  };
}

/** One kitchen of the corpus, as a kitchen file, and what has to be found in it. */
/** @typedef {{ part: string, dish: string, kind: 'clean' | 'fault' | 'decoy', change: string, expect: { code: string, at: string }[], tempts: string[], kitchen: object }} Case */

/**
 * Every kitchen of a part of the corpus.
 *
 * @param part one of CORPUS_PARTS
 * @param foods of the starter pantry
 * @param figuresOf of a kitchen's recipe: { kcal, kJ, protein, fat, fibre, sugars, salt, carbs, cost }, for changes that are stated as a share of one
 */
export function corpusCases(part, foods, figuresOf) {
  const byId = new Map(foods.map((food) => [food.id, food]));
  return readFileSync(join(HERE, 'checks', `${part}-part.txt`), 'utf8')
    .split(/^== /m)
    .slice(1)
    .flatMap((text) => casesOf(part, text, byId, figuresOf));
}

function casesOf(part, text, byId, figuresOf) {
  const [dish, ...rows] = text.split('\n').filter((row) => row !== '' && !row.startsWith('#'));
  const plain = rows.filter((row) => !/^[!?=] /.test(row));
  const figures = figuresOf(kitchenOf(dish, plain, [], byId, undefined));
  const made = (kind, change, expect, tempts) => ({
    part,
    dish,
    kind,
    change,
    expect,
    tempts,
    kitchen: kitchenOf(dish, plain, fieldsOf(change), byId, figures),
  });
  return [
    made('clean', '', [], []),
    ...rows.flatMap((row) => {
      const fault = /^! (\S+) (\S+) \| (.*)$/.exec(row);
      if (fault) return [made('fault', fault[3], [{ code: fault[1], at: fault[2] }], [])];
      const decoy = /^\? ([^|]+) \| (.*)$/.exec(row);
      if (decoy) return [made('decoy', decoy[2], [], decoy[1].trim().split(' '))];
      const clean = /^= \| (.*)$/.exec(row);
      return clean ? [made('clean', clean[1], [], [])] : [];
    }),
  ];
}

const FIELD =
  /(?:^| \| )(?:(title|lead|reheat|keeps|minutes|brief|rules|unpriced|priceSeen|\d+)|(food|part|line\+|line) ([a-z0-9-]+(?:\/\d+)?)) \| /g;

/** "lead | Two boxes | 4 | Into boxes": fields and their texts; a field starts where one is named between two strokes. */
function fieldsOf(change) {
  const found = [...change.matchAll(FIELD)];
  return found.map((one, i) => ({
    field: one[1] ?? one[2],
    of: one[3],
    text: change.slice(one.index + one[0].length, found[i + 1]?.index ?? change.length).trim(),
  }));
}

function kitchenOf(dish, rows, fields, byId, figures) {
  const recipe = { id: dish, title: dish, servings: 1, parts: [], steps: [] };
  const settings = { currency: 'EUR', measures: 'metric', rules: 'eu', staples: 'counted', date: DATE };
  const changed = new Map();
  const seen = new Map();
  const unpriced = new Set();
  for (const row of rows) put(recipe, settings, row, figures);
  for (const { field, of, text } of fields) {
    const words = withFigures(text, figures);
    if (/^\d+$/.test(field)) recipe.steps[Number(field) - 1] = words;
    else if (field === 'title' || field === 'lead') recipe[field] = words;
    else if (field === 'reheat') recipe.storage = { ...recipe.storage, reheat: words };
    else if (field === 'keeps') recipe.storage = storageOf(words.includes('|') ? words : `${words} | `, recipe.storage);
    else if (field === 'minutes') [recipe.activeMinutes, recipe.totalMinutes] = words.split(' ').map(Number);
    else if (field === 'brief') recipe.brief = JSON.parse(words);
    else if (field === 'rules') settings.rules = words;
    else if (field === 'unpriced') unpriced.add(words);
    else if (field === 'priceSeen') seen.set(...words.split(' '));
    else if (field === 'food') changed.set(of, { ...byId.get(of), ...JSON.parse(words) });
    else if (field === 'part') Object.assign(partOf(recipe, of), partKeys(words));
    else if (field === 'line+') partOf(recipe, of).lines.push(lineOf(words));
    else if (field === 'line') {
      const [part, number] = of.split('/');
      partOf(recipe, part).lines[Number(number) - 1] = lineOf(words);
    }
  }
  const own = recipe.parts.flatMap(({ lines }) => lines.map(({ food }) => food));
  const ids = [...new Set([...own, ...ON_THE_SHELF])];
  const all = ids.map((id) => {
    const food = changed.get(id) ?? byId.get(id);
    if (!food) throw new Error(`${dish}: the pantry has no "${id}"`);
    return Object.fromEntries(Object.entries(food).filter(([, value]) => value !== null));
  });
  return {
    format: 'portiona/1',
    settings: { ...settings, ...(seen.size > 0 ? { maxPriceAge: 365 } : {}) },
    foods: all,
    packs: ids
      .filter((id) => !unpriced.has(id))
      .map((food) => ({ food, net: 1000, unit: 'g', price: '3.20', currency: 'EUR', shop: 'Corner', seen: seen.get(food) ?? SEEN })),
    recipes: [recipe],
  };
}

function put(recipe, settings, row, figures) {
  const [, key, text] = /^(\S+) (.*)$/.exec(row) ?? [];
  if (key === 'title' || key === 'lead') recipe[key] = withFigures(text, figures);
  else if (key === 'makes') {
    const [servings, name, measures] = text.split(' ');
    Object.assign(recipe, { servings: Number(servings), servingName: name, measures });
    settings.measures = measures;
    settings.rules = measures === 'us' ? 'us' : 'eu';
  } else if (key === 'minutes') [recipe.activeMinutes, recipe.totalMinutes] = text.split(' ').map(Number);
  else if (key === 'keeps') recipe.storage = storageOf(text);
  else if (key === 'part') {
    const [, id, name, served, keys] = /^(\S+) (.+?) (box|table|optional)(?: (.*))?$/.exec(text);
    recipe.parts.push({ id, name, ...(served === 'box' ? {} : { served }), lines: [], ...partKeys(keys ?? '') });
  } else if (key === '-') recipe.parts.at(-1).lines.push(lineOf(text));
  else if (key === 'step') recipe.steps.push(text);
  else throw new Error(`cannot be read: ${row}`);
}

/** "4 3 | Once": days, months or "no", how it is heated again. */
function storageOf(text, before = {}) {
  const [, days, months, reheat] = /^(\d+) (\d+|no) \| ?(.*)$/.exec(text);
  return {
    fridgeDays: Number(days),
    freezes: months !== 'no',
    ...(months === 'no' ? {} : { freezerMonths: Number(months) }),
    ...(reheat === '' ? (before.reheat === undefined ? {} : { reheat: before.reheat }) : { reheat }),
  };
}

function partKeys(text) {
  const keys = {};
  for (const [, key, value] of text.matchAll(/(\w+)=(\{.*?\}(?= |$)|\S+)/g)) {
    if (key === 'grams') keys.portion = { by: 'grams', grams: Number(value) };
    else keys[key] = value.startsWith('{') ? JSON.parse(value) : Number(value);
  }
  return keys;
}

/** "egg | 6 piece | 6 eggs | retained=0": food, amount, words, other keys. */
function lineOf(text) {
  const [food, amount, ...more] = text.split(' | ');
  const line = { food };
  const toTaste = /^to taste (\d+)$/.exec(amount);
  const [, number, unit, state] = /^([\d.]+) (.+?)( cooked)?$/.exec(amount) ?? [];
  if (toTaste) line.toTaste = Number(toTaste[1]);
  else Object.assign(line, { amount: Number(number), unit }, state ? { state: 'cooked' } : {});
  for (const one of more) {
    const key = /^(retained|also|state)=(.*)$/.exec(one);
    if (!key) line.text = one;
    else line[key[1]] = key[1] === 'retained' ? Number(key[2]) : key[1] === 'also' ? JSON.parse(key[2]) : key[2];
  }
  return line;
}

function partOf(recipe, id) {
  return recipe.parts.find((part) => part.id === id);
}

/** "<kcal*0.9>" as that share of the dish's own figure, written as people would. */
function withFigures(text, figures) {
  return text.replace(/<(\w+)\*([\d.]+)>/g, (_, figure, share) => {
    if (!figures) return '1';
    const amount = figures[figure] * Number(share);
    if (figure === 'cost' || figure === 'salt') return amount.toFixed(2);
    return Number.isInteger(Number(share) * 100) ? String(Math.round(amount)) : amount.toFixed(1);
  });
}

/**
 * How the cases fare: faults found at their place, false alarms by kind.
 *
 * @param findingsOf open findings of a case's kitchen
 */
export function scoreOf(cases, findingsOf) {
  const score = { faults: 0, found: 0, clean: 0, falseOnClean: 0, decoys: 0, tempted: 0, otherOnDecoys: 0, besideFaults: 0 };
  const misses = [];
  for (const one of cases) {
    const found = findingsOf(one);
    const wanted = one.expect.filter(({ code, at }) => found.some((finding) => finding.code === code && finding.at === at));
    const others = found.filter((finding) => !one.expect.some(({ code, at }) => finding.code === code && finding.at === at));
    if (one.kind === 'fault') {
      score.faults += one.expect.length;
      score.found += wanted.length;
      score.besideFaults += others.length;
      if (wanted.length < one.expect.length) misses.push({ one, kind: 'missed', found });
      if (others.length > 0) misses.push({ one, kind: 'beside', found: others });
    } else if (one.kind === 'clean') {
      score.clean += 1;
      score.falseOnClean += others.length;
      if (others.length > 0) misses.push({ one, kind: 'false', found: others });
    } else {
      score.decoys += 1;
      const tempted = others.filter(({ code }) => one.tempts.includes(code));
      score.tempted += tempted.length;
      score.otherOnDecoys += others.length - tempted.length;
      if (others.length > 0) misses.push({ one, kind: 'decoy', found: others });
    }
  }
  return { ...score, recall: score.found / score.faults, falsePerClean: score.falseOnClean / score.clean, misses };
}
