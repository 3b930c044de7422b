import { LABEL_NUTRIENTS, nutrientRow } from '../food/index.js';
import type { TableNutrient, TableTarget } from './tableTarget.js';

/** What names a target in a heading, what shows that it is something else, and a unit that is taken where none is stated. */
export interface HeadingWords {
  readonly target: TableTarget;
  readonly names: RegExp;
  readonly not?: RegExp;
}

/**
 * Headings of food tables, in the languages tables come in, and the tag names of the international food data network
 * (INFOODS: "ENERC", "PROCNT", "CHOAVLDF"), which tables of many countries carry beside their own words; those of nutrients stand with
 * the nutrients. Accents are dropped and
 * case does not count. The first row that fits best by length wins.
 */
const ROWS: readonly (readonly [target: TableTarget, names: string, not?: string | undefined])[] = [
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
  [
    'basis',
    'basis|per|per quantity|reference quantity|reference amount|quantity basis|amount basis|matrix unit|basis quantity|bezugsgroesse|bezugsgrosse|bezug|bezugseinheit|base|cantidad base|quantita di riferimento|figures for|values per|nutrients per',
    'protein|fat|year|date',
  ],
  ['refuse', 'refuse|inedible|inedible portion|waste|refuse pct|dechets?|abfall|desperdicio|scarto|afval'],
  [
    'edible',
    'edible|edible portion|edible proportion|edible conversion factor|edcon|partie comestible|essbarer anteil|porcion comestible|parte edibile|parte comestivel|eetbaar deel',
  ],
  ['density', 'density|specific gravity|densite|dichte|densidad|densita|dichtheid'],
  ...LABEL_NUTRIENTS.flatMap((nutrient) =>
    nutrientRow(nutrient).headings.map(({ target, names, not }) => [target as TableNutrient, names, not] as const),
  ),
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
