import { normalForm } from '../quantity/index.js';
import { preciseAllergens, type Allergen } from '../food/index.js';

/** What a label says of allergens: what is in it, and what may have come into it. */
export interface LabelAllergens {
  readonly contains: readonly Allergen[];
  readonly mayContain: readonly Allergen[];
}

/** Words for allergens in the languages labels are read in, as beginnings or whole words; the first that fits is taken. */
const WORDS: readonly (readonly [Allergen, RegExp])[] = [
  ['peanuts', /^(?:peanuts?|groundnuts?|erdn[uü]ss\p{L}*|cacahu\p{L}+|arachid\p{L}*|pinda\p{L}*|maní)/iu],
  ['hazelnuts', /^(?:hazelnuts?|haseln[uü]ss\p{L}*|noisettes?|avellanas?|nocciol\p{L}+|hazelno\p{L}+)/iu],
  ['almonds', /^(?:almonds?|mandel\p{L}*|amandes?|almendras?|mandorl\p{L}+|amandel\p{L}*)/iu],
  ['walnuts', /^(?:walnuts?|waln[uü]ss\p{L}*|noix de grenoble|nueces|walnoten)/iu],
  ['cashews', /^(?:cashew\p{L}*|noix de cajou|anacardos?|anacardi)/iu],
  ['pecans', /^(?:pecan\p{L}*|pekann\p{L}*|pacanes?)/iu],
  ['brazil-nuts', /^(?:brazil ?nuts?|paran[uü]ss\p{L}*)/iu],
  ['pistachios', /^(?:pistach\p{L}+|pistazi\p{L}+|pistacchi\p{L}*)/iu],
  ['macadamias', /^(?:macadamia\p{L}*)/iu],
  ['nuts', /^(?:nuts?$|tree ?nuts?|schalenfr[uü]cht\p{L}*|n[uü]sse|fruits? à coque|frutos? (?:de cáscara|secos)|frutta a guscio|noten)/iu],
  ['wheat', /^(?:wheat\p{L}*|weizen\p{L}*|blé|trigo|frumento|grano tenero|tarwe\p{L}*)/iu],
  ['spelt', /^(?:spelt\p{L}*|dinkel\p{L}*|épeautre|espelta|farro)/iu],
  ['rye', /^(?:rye|roggen\p{L}*|seigle|centeno|segale|rogge)/iu],
  ['barley', /^(?:barley\p{L}*|gerste\p{L}*|orge|cebada|orzo|gerst)/iu],
  ['oats', /^(?:oats?$|oatmeal|hafer\p{L}*|avoine|avena|haver\p{L}*)/iu],
  ['gluten', /^(?:gluten\p{L}*)/iu],
  ['milk', /^(?:milk\p{L}*|milch\p{L}*|lait|leche|latte|melk\p{L}*|lactose|laktose|dairy|cream|butter|cheese|whey|casein\p{L}*)/iu],
  ['eggs', /^(?:eggs?$|ei$|eier\p{L}*|œufs?|oeufs?|huevos?|uova|uovo|eieren)/iu],
  ['soy', /^(?:soy\p{L}*|soia|soja\p{L}*)/iu],
  ['sesame', /^(?:sesam\p{L}*|sésam\p{L}*|sésamo|sesamo)/iu],
  ['celery', /^(?:celery|celeriac|sellerie\p{L}*|céleri|apio|sedano|selderij)/iu],
  ['mustard', /^(?:mustard\p{L}*|senf\p{L}*|moutarde|mostaza|senape|mosterd)/iu],
  ['fish', /^(?:fish|fisch\p{L}*|poissons?|pescado|pesce|vis$|anchov\p{L}+|salmon|tuna|cod$|mackerel)/iu],
  ['crustaceans', /^(?:crustacea\p{L}*|shellfish|prawns?|shrimps?|crab|lobster|krebstiere|crustacés|crustáceos|crostacei|schaaldieren)/iu],
  ['molluscs', /^(?:mollus\p{L}*|mussels?|oysters?|squid|weichtiere|moluscos|molluschi|weekdieren)/iu],
  ['lupin', /^(?:lupin\p{L}*|altramu\p{L}+)/iu],
  ['sulphites', /^(?:sul(?:ph|f)ites?|sulfit\p{L}*|sulfur dioxide|sulphur dioxide|schwefeldioxid|solfiti)/iu],
];

/** What German words are put together of: "VOLLMILCHPULVER". */
const WITHIN: readonly (readonly [Allergen, RegExp])[] = [
  ['peanuts', /erdn[uü]ss/iu],
  ['hazelnuts', /haseln[uü]ss/iu],
  ['almonds', /mandel/iu],
  ['wheat', /weizen/iu],
  ['spelt', /dinkel/iu],
  ['rye', /roggen/iu],
  ['barley', /gerste/iu],
  ['oats', /hafer/iu],
  ['milk', /milch/iu],
  ['soy', /soja/iu],
  ['celery', /sellerie/iu],
];

const MAY =
  /(?:may (?:also )?contain(?: traces of)?|can contain|contains? traces of|kann (?:auch )?(?:spuren (?:von )?)?|peut (?:aussi )?contenir(?: des traces de)?|puede contener(?: trazas de)?|può contenere(?: tracce di)?|kan (?:sporen (?:van )?)?(?=[^.]{0,80}bevatten)|(?:made|produced|packed|prepared) (?:in|on) a (?:factory|facility|site|line|kitchen)[^.\n]{0,40}?(?:handles|uses|processes|with)|not suitable for[^.\n]{0,40}?due to)([^.\n]{1,200})/giu;
const CONTAINS =
  /(?<!may |also |can |not )\b(?:contains?|enthält|contient|contiene|bevat|allergens?:|allergene:)(?! traces)(?:[ /]+(?:contains?|enthält|contient|contiene|bevat))?:?([^.\n]{1,200})/giu;
const INGREDIENTS = /\b(?:ingredients?|zutaten|ingrédients|ingredientes|ingredienti|ingrediënten)\b ?:/iu;
const PANEL =
  /\b(?:nutrition\p{L}*|nährwert\p{L}*|valeurs? nutritives?|valeurs? nutritionnelles?|información nutricional|valores? nutricionales?|valori|informazioni nutrizionali|voedingswaarde\p{L}*|typical values|(?:per|pour|por|je|pro) ?\uE000?\d|\uE000?100 ?g (?:enthalten|contain)|energy ?\d)/iu;

/** The list of ingredients, from its word to where the panel begins; undefined where none is named. */
export function ingredientsAt(text: string): readonly [from: number, to: number] | undefined {
  const begins = INGREDIENTS.exec(text);
  if (!begins) return undefined;
  const rest = text.slice(begins.index + begins[0].length);
  const ends = PANEL.exec(rest);
  return [begins.index, begins.index + begins[0].length + (ends ? ends.index : rest.length)];
}

/**
 * Allergens as a label names them: behind "contains", in capitals or between stars among the ingredients; behind "may contain" apart.
 * "Gluten free" names none.
 */
export function labelAllergens(text: string): LabelAllergens {
  const plain = normalForm(text, 'NFKC');
  const mayContain: Allergen[] = [];
  let rest = plain.replace(MAY, (found: string, words: string) => {
    mayContain.push(...allergensIn(words));
    return ' '.repeat(found.length);
  });
  rest = rest.replace(/\b[\p{L}]+[ -](?:free|frei|sans)\b|\b(?:free from|frei von|sans|sin|senza|no)\b[^.,;\n]{0,40}/giu, (found) =>
    ' '.repeat(found.length),
  );
  const contains: Allergen[] = [];
  for (const found of rest.matchAll(CONTAINS)) contains.push(...allergensIn(beforeFigures(found[1] ?? '')));
  const list = ingredientsAt(rest);
  if (list) contains.push(...emphasised(rest.slice(...list)));
  else for (const found of rest.matchAll(/\*\*([^*\n]{2,40})\*\*/g)) contains.push(...allergensIn(found[1] ?? ''));
  return { contains: preciseAllergens(contains), mayContain: preciseAllergens(mayContain.filter((one) => !contains.includes(one))) };
}

/** "Each bar contains 198 calories": what follows a figure is the panel. */
function beforeFigures(words: string): string {
  return words.split(/\d/)[0] ?? '';
}

/** Words in capitals, where not all are; and those between stars. */
function emphasised(list: string): Allergen[] {
  const starred = [...list.matchAll(/\*\*([^*\n]{2,40})\*\*/g)].flatMap(([, words = '']) => allergensIn(words));
  const letters = list.match(/\p{L}/gu)?.length ?? 0;
  const small = list.match(/\p{Ll}/gu)?.length ?? 0;
  if (small < 0.1 * letters) return starred;
  const capitals = [...list.matchAll(/\p{Lu}[\p{Lu}’'-]+(?: \p{Lu}[\p{Lu}’'-]+)*/gu)].flatMap(([words]) => allergensIn(words));
  return [...starred, ...capitals];
}

function allergensIn(words: string): Allergen[] {
  const found: Allergen[] = [];
  const starts = [...words.matchAll(/[\p{L}œ]+/giu)];
  for (const { index } of starts) {
    const from = words.slice(index, index + 40);
    const one = WORDS.find(
      ([, pattern]) => pattern.test(pattern.source.includes('$') ? (/^[\p{L}]+/u.exec(from)?.[0] ?? from) : from) || pattern.test(from),
    );
    const word = /^\p{L}+/u.exec(from)?.[0] ?? '';
    const inside = one ?? WITHIN.find(([, pattern]) => pattern.test(word));
    if (inside) found.push(inside[0]);
  }
  return found;
}
