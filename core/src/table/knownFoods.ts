import { normalForm } from '../quantity/index.js';
import type { TableNutrient } from './tableTarget.js';

/** A food of which everybody's table says much the same, and what 100 g of it hold, in the units of the kitchen file. */
export interface KnownFood {
  readonly name: string;
  readonly holds: { readonly [target in TableNutrient]?: number };
}

/**
 * Names begin so in the languages tables come in, accents dropped; `not` says what else may be called nearly so. Figures are middle ones of
 * the generic foods shipped with Portiona and of what public tables agree upon; they tell grams from milligrams, a thousand apart,
 * never one food from another.
 */
const ROWS: readonly (readonly [name: string, words: string, not: string, holds: KnownFood['holds']])[] = [
  [
    'salt',
    'salt|sel|salz|speisesalz|sal|sale|zout',
    'reduced|low|substitut|pork|cod|beef|garlic|celery|herb|pepper',
    { sodium: 38800, salt: 98 },
  ],
  [
    'milk',
    'milk|whole milk|cow s milk|lait|milch|vollmilch|kuhmilch|leche|latte|melk|leite',
    'powder|dried|dry|condensed|evaporated|chocolate|cocoa|shake|coconut|almond|soy|oat|rice|bread|human|breast|poudre|concentr|pulver|polvo|vegetal|coco|amande|soja|schokolade',
    {
      protein: 3.4,
      carbohydrateAvailable: 4.7,
      carbohydrateTotal: 4.7,
      sugars: 4.7,
      sodium: 43,
      potassium: 156,
      calcium: 120,
      cholesterol: 12,
      salt: 0.11,
    },
  ],
  [
    'spinach',
    'spinach|epinards?|spinat|espinacas?|spinaci|spinazie|espinafres?',
    'soup|pie|quiche|pasta|cream|souffle|powder|dried|tart|noodle',
    { protein: 2.9, fibre: 2.3, sodium: 75, potassium: 530, calcium: 105, iron: 2.6 },
  ],
  [
    'egg',
    'eggs?|chicken eggs?|hen s eggs?|hens eggs?|whole eggs?|oeufs?|huhnerei|ei|eier|huevos?|uov[oa]|kippenei|ovos?',
    'white|yolk|dried|powder|noodle|plant|salad|sandwich|substitut|nog|roll|blanc|jaune|weiss|gelb|eigelb|eiweiss|clara|yema|albume|tuorlo|poudre',
    { protein: 12.6, fat: 9.7, saturates: 3, sodium: 140, potassium: 135, calcium: 55, iron: 1.8, cholesterol: 370, vitaminD: 2 },
  ],
  [
    'liver',
    '(?:(?:beef|calf|chicken|lamb|pork|turkey|veal|ox|pig) )?(?:s )?livers?|foie|leber|(?:rinder|schweine|kalbs|huhner)leber|higado|fegato|lever',
    'pate|sausage|oil|paste|spread|gras|wurst|dumpling',
    { protein: 20, iron: 8, cholesterol: 320, potassium: 300, sodium: 75 },
  ],
  [
    'butter',
    'butter|beurre|mantequilla|burro|boter|roomboter|manteiga',
    'peanut|almond|nut|cocoa|bean|milk|squash|lettuce|light|reduced|half|oil|cookie|biscuit|croissant|cacahuete|arachide',
    { fat: 82, saturates: 51, trans: 3, cholesterol: 220, calcium: 18 },
  ],
  [
    'oil',
    '(?:olive|sunflower|rapeseed|canola|soybean|corn|vegetable) oil|oil (?:olive|sunflower|rapeseed|canola|soybean|corn|vegetable)|huile d olive|olivenol|sonnenblumenol|rapsol|aceite de (?:oliva|girasol)|olio (?:di |d )?oliva|olijfolie|zonnebloemolie',
    'in oil|tuna|sardine|spread|spray',
    { fat: 99.8, saturates: 12 },
  ],
  [
    'sugar',
    '(?:white |granulated |caster |table )?sugar|sucre|zucker|azucar|zucchero|suiker|acucar',
    'brown|free|snap|pea|beet|apple|substitut|cookie|reduced|cane juice',
    { carbohydrateAvailable: 99.8, carbohydrateTotal: 99.8, sugars: 99.8, addedSugars: 99.8 },
  ],
  [
    'honey',
    'honey|miel|honig|miele|honing',
    'dew|melon|mustard|roast|cereal|comb',
    { carbohydrateAvailable: 82, carbohydrateTotal: 82, sugars: 81, potassium: 52 },
  ],
  [
    'banana',
    'bananas?|bananes?|banane|platanos?|banaan|bananen',
    'chip|dried|dry|bread|powder|pepper|flower|leaf|sechee',
    { carbohydrateAvailable: 20.5, carbohydrateTotal: 22.8, sugars: 13, fibre: 2.4, potassium: 355, protein: 1.1 },
  ],
  [
    'potato',
    'potato(?:es)?|pommes? de terre|kartoffeln?|patatas?|patate|aardappel(?:en)?',
    'chip|crisp|flour|starch|sweet|salad|flake|dried|powder|bread|fries|puree|starke|douce',
    { carbohydrateAvailable: 16, carbohydrateTotal: 17.5, potassium: 410, protein: 2, fibre: 1.8, iron: 0.7 },
  ],
  [
    'almonds',
    'almonds?|amandes?|mandeln?|almendras?|mandorle|amandelen',
    'milk|drink|butter|paste|oil|flour|lait|extract|cake|marzipan|chocolate',
    { protein: 21, fat: 51, saturates: 3.9, fibre: 11.5, potassium: 730, calcium: 265, iron: 3.7 },
  ],
  [
    'salmon',
    '(?:atlantic )?salmon|fish salmon|saumon|lachs|salmone|zalm|salmao',
    'smoked|pate|spread|oil|roe|fume|salad|sandwich',
    { protein: 20.5, fat: 13, saturates: 2.7, potassium: 370, cholesterol: 55, vitaminD: 10 },
  ],
  [
    'cod liver oil',
    'cod liver oil|fish oil cod liver|oil cod liver|huile de foie de morue|lebertran',
    'malt',
    { fat: 99.8, vitaminD: 230, cholesterol: 570 },
  ],
  [
    'cheddar',
    'cheddar|cheese cheddar|cheddar cheese|fromage cheddar',
    'soup|sauce|reduced|light|low|cracker|process|powder|snack',
    { protein: 25, fat: 34, saturates: 21, trans: 1, sodium: 690, calcium: 730, cholesterol: 100, salt: 1.75 },
  ],
  [
    'oats',
    '(?:rolled |porridge )?oats?|oatmeal|avoine|flocons d avoine|haferflocken|hafer|avena|havermout',
    'milk|drink|bran|cake|cookie|biscuit|bar|bread|cooked|porridge made|made with|instant',
    { protein: 12.8, fat: 7.5, fibre: 9.5, iron: 4.2, potassium: 360, saturates: 1.3 },
  ],
  [
    'lentils',
    '(?:red |green |brown )?lentils?|lentilles?|linsen|lentejas?|lenticchie|linzen',
    'soup|cooked|boiled|canned|tinned|cuite|gekocht|cocid|cott|sprout|flour|curry|dal',
    { protein: 24, fibre: 13, iron: 6.8, potassium: 720 },
  ],
  [
    'wheat flour',
    'wheat flour|flour wheat|white flour|plain flour|farine de ble|weizenmehl|harina de trigo|farina di (?:frumento|grano tenero)|tarwebloem|tarwemeel',
    'gluten|germ|bread made',
    { protein: 10.8, carbohydrateAvailable: 72, carbohydrateTotal: 75, fibre: 3.2, potassium: 130 },
  ],
  [
    'chicken breast',
    'chicken breast|chicken (?:\\w+ ){0,4}breast|(?:hahnchen|huhner)brust|blanc de poulet|pechuga de pollo|petto di pollo|kipfilet',
    'bread|crumb|nugget|soup|salad|sandwich|pane',
    { protein: 23, potassium: 340, sodium: 60, cholesterol: 68 },
  ],
  ['vodka', 'vodka|wodka|gin|whisk(?:e)?y|rum', 'sauce|cake|cocktail|raisin|ball|coke|tonic|cola', { alcohol: 33 }],
  [
    'wine',
    '(?:red |white |table )?wine|vin (?:rouge|blanc)|(?:rot|weiss)wein|vino|rode wijn|witte wijn',
    'vinegar|sauce|gum|cooking|without',
    { alcohol: 10 },
  ],
];

const MATCHES = ROWS.map(([name, words, not, holds]) => ({
  food: { name, holds },
  names: new RegExp(`^(?:${words})(?![a-z])`),
  not: new RegExp(`(?<![a-z])(?:${not})`),
}));
/** No name that is plain is longer. */
const LONGEST = 80;

/**
 * The food everybody knows that a row of a table is, by its name.
 *
 * @returns undefined for every other food, and for a dish that only has its word
 * @example knownFood('Milk, whole, 3.5 % fat')?.name // 'milk'
 */
export function knownFood(name: string): KnownFood | undefined {
  if (name.length > LONGEST) return undefined;
  const bare = normalForm(name, 'NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/œ/g, 'oe')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
  return MATCHES.find(({ names, not }) => names.test(bare) && !not.test(bare))?.food;
}
