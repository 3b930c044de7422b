import {
  euMacro,
  euSalt,
  euSaturates,
  oneDecimal,
  tens,
  usCholesterol,
  usEnergy,
  usFat,
  usSodium,
  usWhole,
  whole,
  type Rounding,
} from './rounding.js';

export type NutrientUnit = 'kcal' | 'kJ' | 'g' | 'mg' | 'ug';

/** How a rule set prints a nutrient. */
interface PrintedBy {
  /** Where it stands among what the rule set names. */
  readonly place: number;
  readonly rounding: Rounding;
  /** Reference amount a day, in the nutrient's unit: US daily values (21 CFR 101.9(c)), EU reference intakes (Regulation 1169/2011, annex XIII). */
  readonly daily?: number;
}

/** All that is known of a nutrient. A further one is a further row. */
interface NutrientRow {
  readonly name: string;
  readonly unit: NutrientUnit;
  /** Cooking can destroy or leach it: the only ones a retention factor applies to. */
  readonly survivesInPart: boolean;
  /** What labels call it, in the languages labels are read in, set apart by strokes; what is longest is taken first. */
  readonly labelWords: string;
  /**
   * What food tables call a column of it, in the languages tables come in, accents dropped, with the tag names of the international
   * food data network (INFOODS); and what shows that a column is something else.
   */
  readonly headings: readonly { readonly target: string; readonly names: string; readonly not?: string }[];
  /** The rule sets that print it. */
  readonly printed: { readonly [rules in 'us' | 'eu' | 'plain']?: PrintedBy };
}

/** Every nutrient of the kitchen file, in the order figures are kept and printed; salt stands for its sodium. */
export const NUTRIENT_TABLE = {
  energyKcal: {
    name: 'Energy',
    unit: 'kcal',
    survivesInPart: false,
    labelWords:
      'energy|energy value|calories|calorific value|kilojoules|kilocalories|energie|energi|energia|brennwert|énergie|valeur énergétique|valor energético|valore energetico|energiewaarde|calorías|calorie',
    headings: [
      {
        target: 'energy',
        names:
          'energy|energy value|energ|enerc|enercc|enerckcal|enerckj|calories|kcal|kj|kilocalories|kilojoules|energie|brennwert|gcal|gj|valeur energetique|energia|valor energetico|energi|energie kcal|energie kj|energia kcal|energy kcal|energy kj|food energy',
        not: 'from|without|factor|distribution|percent|en%|e%|aus|excl|sans fibres',
      },
    ],
    printed: {
      us: { place: 1, rounding: usEnergy },
      eu: { place: 2, rounding: whole, daily: 2000 },
      plain: { place: 1, rounding: whole },
    },
  },
  energyKj: {
    name: 'Energy',
    unit: 'kJ',
    survivesInPart: false,
    labelWords: '',
    headings: [],
    printed: {
      eu: { place: 1, rounding: whole, daily: 8400 },
    },
  },
  protein: {
    name: 'Protein',
    unit: 'g',
    survivesInPart: false,
    labelWords: 'protein|proteins|eiweiß|eiweiss|protéines|proteines|proteínas|proteinas|proteine|eiwit|eiwitten|prot',
    headings: [
      {
        target: 'protein',
        names:
          'protein|proteins|protein total|procnt|prot|proteines?|proteinas?|eiweiss|protein brutto|proteine|eiwit|eiwitten|eiwit totaal|proteiini|bialko|bilkoviny|crude protein|protein cnt|ze',
        not: 'plant|vegetable|animal|factor|nitrogen|conversion|vegetal|tierisch|pflanzlich|plantaardig|dierlijk',
      },
    ],
    printed: {
      us: { place: 11, rounding: usWhole, daily: 50 },
      eu: { place: 7, rounding: euMacro, daily: 50 },
      plain: { place: 2, rounding: whole },
    },
  },
  fat: {
    name: 'Fat',
    unit: 'g',
    survivesInPart: false,
    labelWords:
      'fat|total fat|fats|fat, total|fat total|fett|matières grasses|matieres grasses|lipides|grasas|grasa total|grasas totales|grassi|vet|vetten',
    headings: [
      {
        target: 'fat',
        names:
          'fat|total fat|fat total|fats|lipids?|lipid tot|total lipids?|fatce|fat crude|crude fat|lipides|fett|fett gesamt|matieres grasses|grasas?|grasa total|lipidos|lipidos totales|grassi|lipidi|lipidi totali|gordura|vet|vet totaal|fedt|fett totalt|fedt total|rasva|tluszcz|tuky|zf',
        not: 'satur|mono|poly|mufa|pufa|acid|trans|omega|fa |factor|sature|gesattigt|verzadigd|energy|free|acids',
      },
    ],
    printed: {
      us: { place: 2, rounding: usFat, daily: 78 },
      eu: { place: 3, rounding: euMacro, daily: 70 },
      plain: { place: 4, rounding: whole },
    },
  },
  saturates: {
    name: 'Saturates',
    unit: 'g',
    survivesInPart: false,
    labelWords:
      'saturates|saturated fat|saturated fatty acids|saturated|saturate|sat fat|sat. fat|sat|sats|gesättigte fettsäuren|ges. fettsäuren|gesaettigte fettsaeuren|acides gras saturés|acides gras satures|saturés|saturadas|ácidos grasos saturados|grasa saturada|grasas saturadas|acidi grassi saturi|saturi|verzadigde vetzuren|verzadigd vet|verzadigd|mättat fett',
    headings: [
      {
        target: 'saturates',
        names:
          'saturates|saturated|saturated fat|saturated fatty acids|fatty acids saturated|fatty acids total saturated|fat saturated|satd fa|satd fa per 100g food|fa sat|fasat|sfa|total sfa|saturated fatty acids total|ag satures|acides gras satures|gesattigte fettsauren|gesattigte fettsaeuren|acidos grasos saturados|grasa saturada|acidi grassi saturi|acidi grassi saturi totali|acidos gordos saturados|saturados|verzadigd vet|vetzuren verzadigd|fettsyror mattade|mattade fettsyror|mattet fett|mettede fettsyrer|maettede fedtsyrer|sum maettede fedtsyrer|tyydyttyneet rasvat|fs',
        not: 'mono|poly|un?saturated fat|insatur|unges|ungesat|einfach|mehrfach|fa[0-9]|c[0-9]+:|omatt|umett',
      },
    ],
    printed: {
      us: { place: 3, rounding: usFat, daily: 20 },
      eu: { place: 4, rounding: euSaturates, daily: 20 },
    },
  },
  trans: {
    name: 'Trans fat',
    unit: 'g',
    survivesInPart: false,
    labelWords: 'trans fat|trans fatty acids|trans|transfettsäuren|grasa trans|grasas trans',
    headings: [
      {
        target: 'trans',
        names:
          'trans|trans fat|trans fatty acids|fatty acids trans|fatty acids total trans|fatrn|tfa|total trans fatty acids|ag trans|acides gras trans|transfettsauren|transfetzuren|acidos grasos trans|transfettsyror',
        not: 'mono|poly|c1[0-9]',
      },
    ],
    printed: {
      us: { place: 4, rounding: usFat },
    },
  },
  cholesterol: {
    name: 'Cholesterol',
    unit: 'mg',
    survivesInPart: false,
    labelWords: 'cholesterol|cholest.|cholest|cholesterin|cholestérol|colesterol|colesterolo',
    headings: [
      {
        target: 'cholesterol',
        names: 'cholesterol|cholestrl|chole|chol|cholesterin|cholesterine|colesterol|colesterolo|kolesterol|kolesteroli',
      },
    ],
    printed: {
      us: { place: 5, rounding: usCholesterol, daily: 300 },
    },
  },
  carbohydrate: {
    name: 'Carbohydrate',
    unit: 'g',
    survivesInPart: false,
    labelWords:
      'carbohydrate|carbohydrates|total carbohydrate|total carbohydrates|total carb|total carb.|total carbs|carbs|carb|carbohydrate, total|available carbohydrate|carbo hydrate|carbo hydrates|kohlenhydrate|glucides|hidratos de carbono|carbohidratos|carbohidrato total|carbohidratos totales|carboidrati|koolhydraten|kolhydrat|kh',
    headings: [
      {
        target: 'carbohydrateAvailable',
        names:
          'available carbohydrate|available carbohydrates|carbohydrate available|carbohydrates available|choavl|choavldf|choavlm|glucides|kohlenhydrate|kohlenhydrate verwertbar|carbohydrate|carbohydrates|hidratos de carbono|carbohidratos disponibles|carboidrati|carboidrati disponibili|koolhydraten|koolhydraten totaal|kolhydrater|karbohydrat|kulhydrat|kulhydrat tilgaengelig|hiilihydraatti|weglowodany|sacharidy|carboidratos disponiveis|zk|carbo',
        not: 'total|difference|choc|monosac|factor',
      },
      {
        target: 'carbohydrateTotal',
        names:
          'total carbohydrate|total carbohydrates|carbohydrate total|carbohydrates total|carbohydrate by difference|carbohydrates by difference|carbohydrt|carbohydrate by diff|chocdf|choct|carbohidratos totales|carboidrato|carboidratos|carboidratos totais|carbohidratos|kulhydrat difference|kulhydrat total|kulhydrat ved forskel|total carbs',
        not: 'available|avail',
      },
    ],
    printed: {
      us: { place: 7, rounding: usWhole, daily: 275 },
      eu: { place: 5, rounding: euMacro, daily: 260 },
      plain: { place: 3, rounding: whole },
    },
  },
  sugars: {
    name: 'Sugars',
    unit: 'g',
    survivesInPart: false,
    labelWords: 'sugars|total sugars|sugar|zucker|sucres|azúcares|azucares|azúcares totales|zuccheri|suikers|sockerarter',
    headings: [
      {
        target: 'sugars',
        names:
          'sugars|sugars total|total sugars?|sugar|sugar tot|sugar total|sugar g|zucker|sucres|azucares|azucares totales|zuccheri|zuccheri solubili|acucares|suiker|suikers|sockerarter|sockerarter totalt|sugararter|mono disakk|mono- and disaccharides|mono og disakkarider|sukkerarter|sokerit|cukry|total available sugars',
        not: 'added|free|alcohol|ajoute|zugesetzt|anadido|aggiunt|tillsat|tilsatt',
      },
    ],
    printed: {
      us: { place: 9, rounding: usWhole },
      eu: { place: 6, rounding: euMacro, daily: 90 },
    },
  },
  addedSugars: {
    name: 'Added sugars',
    unit: 'g',
    survivesInPart: false,
    labelWords: 'added sugars|added sugar|azúcares añadidos',
    headings: [
      {
        target: 'addedSugars',
        names:
          'added sugars?|sugars added|sugad|sucres ajoutes|zugesetzter zucker|azucares anadidos|tillsatt socker|tilsatt sukker|tilsat sukker',
      },
    ],
    printed: {
      us: { place: 10, rounding: usWhole, daily: 50 },
    },
  },
  fibre: {
    name: 'Fibre',
    unit: 'g',
    survivesInPart: false,
    labelWords:
      'fibre|fiber|dietary fibre|dietary fiber|ballaststoffe|fibres|fibres alimentaires|fibra alimentaria|fibra dietética|fibra|voedingsvezel|voedingsvezels|vezels',
    headings: [
      {
        target: 'fibre',
        names:
          'fibre|fiber|dietary fibre|dietary fiber|fibre dietary|fiber td|fibre total|total dietary fibre|total dietary fiber|fiber total dietary|aoac fibre|fibtg|fibtsw|fibc|fibres|fibres alimentaires|ballaststoffe|fibra|fibra alimentaria|fibra alimentar|fibra alimentare|fibra alimentare totale|fibra dietetica|fibra total|vezels|voedingsvezel|voedingsvezels|vezels totaal|kostfiber|fiber totalt|kostfibre|kuitu|ravintokuitu|blonnik|vlaknina',
        not: 'soluble|insol|crude|loslich|loesl',
      },
    ],
    printed: {
      us: { place: 8, rounding: usWhole, daily: 28 },
      eu: { place: 8, rounding: euMacro },
    },
  },
  sodium: {
    name: 'Sodium',
    unit: 'mg',
    survivesInPart: false,
    labelWords: 'sodium|natrium|sodio',
    headings: [{ target: 'sodium', names: 'sodium|na|sodium na|natrium|sodio|natrium na' }],
    printed: {
      us: { place: 6, rounding: usSodium, daily: 2300 },
    },
  },
  salt: {
    name: 'Salt',
    unit: 'g',
    survivesInPart: false,
    labelWords: 'salt|salz|sel|salt equivalent|sal|sale|zout',
    headings: [
      {
        target: 'salt',
        names: 'salt|nacl|salz|sel|sal|sale|zout|salt equivalent|sel chlorure de sodium|salt nacl|suola|sol|salekvivalent',
      },
    ],
    printed: {
      eu: { place: 9, rounding: euSalt, daily: 6 },
    },
  },
  alcohol: {
    name: 'Alcohol',
    unit: 'g',
    survivesInPart: false,
    labelWords: 'alcohol|alkohol|ethanol',
    headings: [
      {
        target: 'alcohol',
        names: 'alcohol|alc|ethanol|ethyl alcohol|alkohol|alcool|alcol|etanol|alkoholi|za',
        not: 'sugar|sucre|zucker|polyol|poly',
      },
    ],
    printed: {},
  },
  polyols: {
    name: 'Polyols',
    unit: 'g',
    survivesInPart: false,
    labelWords: 'polyols|sugar alcohol|sugar alcohols|mehrwertige alkohole',
    headings: [
      {
        target: 'polyols',
        names:
          'polyols|polyols total|polyl|sugar alcohols?|total polyols|polyols totaux|mehrwertige alkohole|polyalkohole|polioles|polioli|polyolen|sugar alcohols total',
      },
    ],
    printed: {},
  },
  potassium: {
    name: 'Potassium',
    unit: 'mg',
    survivesInPart: true,
    labelWords: 'potassium|potas.|potas|kalium|potasio|potassio',
    headings: [{ target: 'potassium', names: 'potassium|k|potassium k|kalium|potasio|potassio|kalium k' }],
    printed: {
      us: { place: 15, rounding: tens, daily: 4700 },
    },
  },
  calcium: {
    name: 'Calcium',
    unit: 'mg',
    survivesInPart: true,
    labelWords: 'calcium|kalzium|calcio',
    headings: [{ target: 'calcium', names: 'calcium|ca|calcium ca|kalzium|calcio|kalsium|wapn' }],
    printed: {
      us: { place: 13, rounding: tens, daily: 1300 },
    },
  },
  iron: {
    name: 'Iron',
    unit: 'mg',
    survivesInPart: true,
    labelWords: 'iron|eisen|fer|hierro|ferro|ijzer',
    headings: [
      { target: 'iron', names: 'iron|fe|iron fe|iron total|eisen|fer|hierro|ferro|ijzer|jarn|jern|rauta|zelazo', not: 'heme|haem|non' },
    ],
    printed: {
      us: { place: 14, rounding: oneDecimal, daily: 18 },
    },
  },
  vitaminD: {
    name: 'Vitamin D',
    unit: 'ug',
    survivesInPart: true,
    labelWords: 'vitamin d|vit. d|vit d|vitamin d3|vitamine d|vitamina d',
    headings: [
      {
        target: 'vitaminD',
        names:
          'vitamin d|vitamin d µg|vit d|vitd|vitdeq|vitamine d|vitamina d|vitamin d d2 d3|vitamin d total|vitamin d activity|calciferol|cholecalciferol equivalents|d-vitamin|vitamin d3 equivalents|d vitamiini|vd',
        not: 'd2$|25|hydroxy|oh',
      },
    ],
    printed: {
      us: { place: 12, rounding: oneDecimal, daily: 20 },
    },
  },
} as const satisfies { readonly [nutrient: string]: NutrientRow };

/** A nutrient's row, seen alike whichever it is. */
export function nutrientRow(nutrient: keyof typeof NUTRIENT_TABLE): NutrientRow {
  return NUTRIENT_TABLE[nutrient];
}
