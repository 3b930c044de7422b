import { allergensWithGroups, type Allergen } from './allergen.js';

/** Words in which a thing's name hides an allergen that is not in it: taken out before any is looked for. */
const NONE =
  /\b(?:coconut(?:[ -](?:milk|cream|butter|yogh?urt|drink|water))?|cocoa butter|butter ?beans?|butternut|butter lettuce|buttercup squash|butterhead|nutmeg|eggplants?|buckwheat|(?:oyster mushrooms?|mushrooms?, oyster)|king oyster|cream of tartar|creamed (?:coconut|corn)|cream soda|milk thistle|water chestnuts?|chestnuts?|doughnuts?|tiger nuts?|pine ?nuts?|mustard (?:greens|cress)|rice (?:milk|drink)|hemp (?:milk|drink)|shea butter|apple butter|crab ?apples?|fishmint|egg ?fruit|wheatgrass)\b/giu;
/** Milk, butter, cream and cheese of a plant are the plant's. */
const OF_PLANT =
  /\b(almond|cashew|hazelnut|walnut|pecan|pistachio|macadamia|peanut|oat|soya?|sesame|pea|plant|vegan|dairy[- ]free|non[- ]dairy)s?(?:[- ]based)?(?:[ -]\p{L}+){0,2}?[ -](?:milk|drink|cream|butter|yogh?urt|cheese|creme|crème)s?\b/giu;
/** What a text says that is not in it. */
const FREE: readonly (readonly [RegExp, readonly Allergen[]])[] = [
  [/\b(?:dairy|milk)[- ]free\b|\bnon[- ]dairy\b/iu, ['milk']],
  [/\bgluten[- ]free\b|\bgf\b/iu, ['gluten', 'wheat', 'rye', 'barley', 'spelt']],
  [/\bwheat[- ]free\b/iu, ['wheat', 'spelt']],
  [/\begg[- ]free\b|\beggless\b/iu, ['eggs']],
  [/\bnut[- ]free\b/iu, ['nuts', 'peanuts']],
  [/\bsoya?[- ]free\b/iu, ['soy']],
  [/\bvegan\b|\bplant[- ]based\b|\balternative\b/iu, ['milk', 'eggs', 'fish', 'crustaceans', 'molluscs']],
];
const FREE_WORDS = /\b\p{L}+[- ]free\b|\bnon[- ]dairy\b|\beggless\b/giu;

/** Allergens by the words that name them or kinds of them, in English; the first that fits a word is taken. */
const KINDS: readonly (readonly [Allergen, RegExp])[] = [
  ['peanuts', /\b(?:peanuts?|groundnuts?|satay)\b/iu],
  ['almonds', /\b(?:almonds?|marzipan|frangipane)\b/iu],
  ['hazelnuts', /\bhazelnuts?\b/iu],
  ['walnuts', /\bwalnuts?\b/iu],
  ['cashews', /\bcashews?\b/iu],
  ['pecans', /\bpecans?\b/iu],
  ['brazil-nuts', /\bbrazil nuts?\b/iu],
  ['pistachios', /\bpistachios?\b/iu],
  ['macadamias', /\bmacadamias?\b/iu],
  ['nuts', /\b(?:mixed nuts|nuts)\b/iu],
  [
    'milk',
    /\b(?:milk|buttermilk|cream|butter|ghee|cheese|cheddar|feta|mozzarella|parmesan|pecorino|halloumi|ricotta|mascarpone|gruy[eè]re|gouda|edam|brie|camembert|stilton|paneer|quark|skyr|kefir|yogh?urt|cr[eè]me fra[iî]che|whey|custard)\b/iu,
  ],
  ['eggs', /\b(?:eggs?|egg yolks?|egg whites?|mayonnaise|mayo|meringues?)\b/iu],
  [
    'fish',
    /\b(?:fish|cod|salmon|tuna|mackerel|haddock|anchov(?:y|ies)|sardines?|trout|hake|pollock|sea ?bass|herring|kippers?|halibut|monkfish|tilapia|worcestershire)\b/iu,
  ],
  ['crustaceans', /\b(?:prawns?|shrimps?|crab|crabmeat|lobster|crayfish|langoustines?)\b/iu],
  ['molluscs', /\b(?:mussels?|clams?|squid|calamari|octopus|scallops?|oysters?|cockles?|oyster sauce)\b/iu],
  ['soy', /\b(?:soya?|soybeans?|tofu|tempeh|edamame|miso|tamari)\b/iu],
  ['sesame', /\b(?:sesame|tahini|gomasio)\b/iu],
  ['celery', /\b(?:celery|celeriac)\b/iu],
  ['mustard', /\bmustard\b/iu],
  ['lupin', /\blupins?\b/iu],
  ['spelt', /\bspelt\b/iu],
  ['rye', /\brye\b/iu],
  ['barley', /\bbarley\b/iu],
  ['oats', /\b(?:oats?|oatmeal|porridge)\b/iu],
  ['wheat', /\b(?:wheat|wholewheat|couscous|bulg[ua]r|semolina|freekeh|seitan|farro)\b/iu],
];

/** What a text names of allergens, and what it says is not in it. */
export interface NamedInWords {
  readonly named: readonly Allergen[];
  readonly denied: readonly Allergen[];
}

/**
 * Allergens as a text names them by their words and kinds: "cod" is fish, "cheddar" milk; "coconut milk", "butter beans" and "nutmeg"
 * name none, and milk or butter of a plant is the plant's. What it says is not in it ("dairy-free", "vegan") is apart.
 *
 * @example allergensInWords('vegan butter') // { named: [], denied: ['milk', 'eggs', …] }
 */
export function allergensInWords(text: string): NamedInWords {
  const denied = FREE.flatMap(([words, of]) => (words.test(text) ? of : []));
  const bare = text
    .replace(NONE, ' ')
    .replace(OF_PLANT, (_, plant: string) => ` ${plant} `)
    .replace(FREE_WORDS, ' ');
  const named = KINDS.filter(([allergen, words]) => words.test(bare) && !denied.includes(allergen)).map(([allergen]) => allergen);
  return { named, denied: [...new Set(denied)] };
}

/** Of named allergens, those that a food's own do not hold: a nut by its name or as one of the nuts, wheat by its name or as gluten. */
export function lackedBy(named: readonly Allergen[], allergens: readonly Allergen[]): Allergen[] {
  const has = allergensWithGroups(allergens);
  return named.filter((allergen) => {
    // Spelt is a wheat (Regulation (EU) 1169/2011, annex II).
    if (has.has(allergen) || (allergen === 'spelt' && has.has('wheat'))) return false;
    return ![...allergensWithGroups([allergen])].some((group) => group !== allergen && allergens.includes(group));
  });
}
