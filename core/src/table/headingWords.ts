import type { TableTarget } from './tableTarget.js';

/** What names a target in a heading, what shows that it is something else, and a unit that is taken where none is stated. */
export interface HeadingWords {
  readonly target: TableTarget;
  readonly names: RegExp;
  readonly not?: RegExp;
}

/**
 * Headings of food tables, in the languages tables come in, and the tag names of the international food data network
 * (INFOODS: "ENERC", "PROCNT", "CHOAVLDF"), which tables of many countries carry beside their own words. Accents are dropped and
 * case does not count. The first row that fits best by length wins.
 */
const ROWS: readonly (readonly [target: TableTarget, names: string, not?: string])[] = [
  [
    'code',
    'code|food code|food id|id|foodid|number|no|nr|ndb no|ndb number|key|public food key|classification code|sample id|kod|koodi|codigo|codice|numero|nummer|item no|food number|food no|alim code',
    'group|grp|factor|nitrogen|year|category|sub',
  ],
  [
    'name',
    'name|food name|food|foods|description|food description|food item|item|long desc|shrt desc|short description|english name|name english|display name|nom|libelle|denomination|alim nom fr|aliment|bezeichnung|lebensmittel|name deutsch|nombre|alimento|nome|descricao|descrizione|naam|productnaam|voedingsmiddelnaam|navn|fodevarenavn|matvare|namn|livsmedelsnamn|elintarvike|nimi|nazwa|nazev',
    'group|grp|scientific|latin|category|class|groupe|gruppe|grupo|gruppo|code|id$|index|sci',
  ],
  ['otherNames', 'other names|synonyms?|synonymes?|synonyme|common name|alternative names?|also known as|sinonimos?|synoniem'],
  [
    'group',
    'group|food group|food group name|category|groupe|alim grp nom fr|gruppe|kategorie|hauptlebensmittelgruppe|grupo|gruppo|groep|voedingsmiddelgroep|categoria|class|type',
    'code|id$|sub|ssgrp|ssssgrp',
  ],
  ['refuse', 'refuse|inedible|inedible portion|waste|refuse pct|dechets?|abfall|desperdicio|scarto|afval'],
  [
    'edible',
    'edible|edible portion|edible proportion|edible conversion factor|edcon|partie comestible|essbarer anteil|porcion comestible|parte edibile|parte comestivel|eetbaar deel',
  ],
  ['density', 'density|specific gravity|densite|dichte|densidad|densita|dichtheid'],
  [
    'energy',
    'energy|energy value|energ|enerc|enercc|enerckcal|enerckj|calories|kcal|kj|kilocalories|kilojoules|energie|brennwert|gcal|gj|valeur energetique|energia|valor energetico|energi|energie kcal|energie kj|energia kcal|energy kcal|energy kj|food energy',
    'from|without|factor|distribution|percent|en%|e%|aus|excl|sans fibres',
  ],
  [
    'protein',
    'protein|proteins|protein total|procnt|prot|proteines?|proteinas?|eiweiss|protein brutto|proteine|eiwit|eiwitten|eiwit totaal|proteiini|bialko|bilkoviny|crude protein|protein cnt|ze',
    'plant|vegetable|animal|factor|nitrogen|conversion|vegetal|tierisch|pflanzlich|plantaardig|dierlijk',
  ],
  [
    'fat',
    'fat|total fat|fat total|fats|lipids?|lipid tot|total lipids?|fatce|fat crude|crude fat|lipides|fett|fett gesamt|matieres grasses|grasas?|grasa total|lipidos|lipidos totales|grassi|lipidi|lipidi totali|gordura|vet|vet totaal|fedt|fett totalt|fedt total|rasva|tluszcz|tuky|zf',
    'satur|mono|poly|mufa|pufa|acid|trans|omega|fa |factor|sature|gesattigt|verzadigd|energy|free|acids',
  ],
  [
    'saturates',
    'saturates|saturated|saturated fat|saturated fatty acids|fatty acids saturated|fatty acids total saturated|fat saturated|satd fa|satd fa per 100g food|fa sat|fasat|sfa|total sfa|saturated fatty acids total|ag satures|acides gras satures|gesattigte fettsauren|gesattigte fettsaeuren|acidos grasos saturados|grasa saturada|acidi grassi saturi|acidi grassi saturi totali|acidos gordos saturados|saturados|verzadigd vet|vetzuren verzadigd|fettsyror mattade|mattade fettsyror|mattet fett|mettede fettsyrer|maettede fedtsyrer|sum maettede fedtsyrer|tyydyttyneet rasvat|fs',
    'mono|poly|un?saturated fat|insatur|unges|ungesat|einfach|mehrfach|fa[0-9]|c[0-9]+:|omatt|umett',
  ],
  [
    'trans',
    'trans|trans fat|trans fatty acids|fatty acids trans|fatty acids total trans|fatrn|tfa|total trans fatty acids|ag trans|acides gras trans|transfettsauren|transfetzuren|acidos grasos trans|transfettsyror',
    'mono|poly|c1[0-9]',
  ],
  ['cholesterol', 'cholesterol|cholestrl|chole|chol|cholesterin|cholesterine|colesterol|colesterolo|kolesterol|kolesteroli'],
  [
    'carbohydrateAvailable',
    'available carbohydrate|available carbohydrates|carbohydrate available|carbohydrates available|choavl|choavldf|choavlm|glucides|kohlenhydrate|kohlenhydrate verwertbar|carbohydrate|carbohydrates|hidratos de carbono|carbohidratos disponibles|carboidrati|carboidrati disponibili|koolhydraten|koolhydraten totaal|kolhydrater|karbohydrat|kulhydrat|kulhydrat tilgaengelig|hiilihydraatti|weglowodany|sacharidy|carboidratos disponiveis|zk|carbo',
    'total|difference|choc|monosac|factor',
  ],
  [
    'carbohydrateTotal',
    'total carbohydrate|total carbohydrates|carbohydrate total|carbohydrates total|carbohydrate by difference|carbohydrates by difference|carbohydrt|carbohydrate by diff|chocdf|choct|carbohidratos totales|carboidrato|carboidratos|carboidratos totais|carbohidratos|kulhydrat difference|kulhydrat total|kulhydrat ved forskel|total carbs',
    'available|avail',
  ],
  [
    'sugars',
    'sugars|sugars total|total sugars?|sugar|sugar tot|sugar total|sugar g|zucker|sucres|azucares|azucares totales|zuccheri|zuccheri solubili|acucares|suiker|suikers|sockerarter|sockerarter totalt|sugararter|mono disakk|mono- and disaccharides|mono og disakkarider|sukkerarter|sokerit|cukry|total available sugars',
    'added|free|alcohol|ajoute|zugesetzt|anadido|aggiunt|tillsat|tilsatt',
  ],
  [
    'addedSugars',
    'added sugars?|sugars added|sugad|sucres ajoutes|zugesetzter zucker|azucares anadidos|tillsatt socker|tilsatt sukker|tilsat sukker',
  ],
  [
    'fibre',
    'fibre|fiber|dietary fibre|dietary fiber|fibre dietary|fiber td|fibre total|total dietary fibre|total dietary fiber|fiber total dietary|aoac fibre|fibtg|fibtsw|fibc|fibres|fibres alimentaires|ballaststoffe|fibra|fibra alimentaria|fibra alimentar|fibra alimentare|fibra alimentare totale|fibra dietetica|fibra total|vezels|voedingsvezel|voedingsvezels|vezels totaal|kostfiber|fiber totalt|kostfibre|kuitu|ravintokuitu|blonnik|vlaknina',
    'soluble|insol|crude|loslich|loesl',
  ],
  ['sodium', 'sodium|na|sodium na|natrium|sodio|natrium na'],
  ['salt', 'salt|nacl|salz|sel|sal|sale|zout|salt equivalent|sel chlorure de sodium|salt nacl|suola|sol|salekvivalent'],
  ['alcohol', 'alcohol|alc|ethanol|ethyl alcohol|alkohol|alcool|alcol|etanol|alkoholi|za', 'sugar|sucre|zucker|polyol|poly'],
  [
    'polyols',
    'polyols|polyols total|polyl|sugar alcohols?|total polyols|polyols totaux|mehrwertige alkohole|polyalkohole|polioles|polioli|polyolen|sugar alcohols total',
  ],
  ['potassium', 'potassium|k|potassium k|kalium|potasio|potassio|kalium k'],
  ['calcium', 'calcium|ca|calcium ca|kalzium|calcio|kalsium|wapn'],
  ['iron', 'iron|fe|iron fe|iron total|eisen|fer|hierro|ferro|ijzer|jarn|jern|rauta|zelazo', 'heme|haem|non'],
  [
    'vitaminD',
    'vitamin d|vitamin d µg|vit d|vitd|vitdeq|vitamine d|vitamina d|vitamin d d2 d3|vitamin d total|vitamin d activity|calciferol|cholecalciferol equivalents|d-vitamin|vitamin d3 equivalents|d vitamiini|vd',
    'd2$|25|hydroxy|oh',
  ],
];

/** The rows, ready to be tried. */
export const HEADING_WORDS: readonly HeadingWords[] = ROWS.map(([target, names, not]) => ({
  target,
  names: new RegExp(
    `(?<![a-z0-9])(?:${names
      .split('|')
      .sort((a, b) => b.length - a.length)
      .join('|')})(?![a-z0-9])`,
    'g',
  ),
  ...(not === undefined ? {} : { not: new RegExp(`(?<![a-z])(?:${not})`) }),
}));
