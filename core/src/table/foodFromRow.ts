import { cutText, tidyText, normalForm } from '../quantity/index.js';
import { unitOf, type Food, type Nutrient, type State } from '../food/index.js';
import { cellFigure, type CellNote } from './cellFigure.js';
import { rowBasis } from './rowBasis.js';
import { factorTo, unitInHeading } from './tableUnit.js';
import {
  isTableNutrient,
  nutrientOfTarget,
  type ColumnMapping,
  type TableMapping,
  type TableNutrient,
  type TableUnit,
} from './tableTarget.js';

/** A row of a table as a food, without an id: that is the pantry's to give. */
export interface TableFood {
  /** Its code in the table; its name where the table has no codes. */
  readonly code: string;
  readonly food: Omit<Food, 'id'>;
  readonly notes: readonly CellNote[];
}

/** A cell that could not be taken as it stands. */
export interface CellFault {
  readonly heading: string;
  readonly message: string;
}

/** What came of a row: a food, with cells that were left unknown, or nothing and why. */
export interface RowRead {
  readonly food: TableFood | undefined;
  readonly faults: readonly CellFault[];
}

/** Finds the columns of a mapping in a table's headings. */
export interface PlacedMapping {
  readonly mapping: TableMapping;
  readonly places: readonly (ColumnMapping & { readonly at: number })[];
  /** Headings of the mapping that this table does not have. */
  readonly missing: readonly string[];
}

/** Puts a mapping on a table by its headings, whatever order they stand in. */
export function placedMapping(mapping: TableMapping, headings: readonly string[]): PlacedMapping {
  const at = new Map(headings.map((heading, i) => [heading.toLowerCase(), i]));
  const places = mapping.columns.flatMap((column) => {
    const place = at.get(column.heading.toLowerCase());
    return place === undefined ? [] : [{ ...column, ...statedUnit(column), at: place }];
  });
  return {
    mapping,
    places,
    missing: mapping.columns.filter(({ heading }) => !at.has(heading.toLowerCase())).map(({ heading }) => heading),
  };
}

/** The unit that was said, else the one its heading states where that can be the target's. */
function statedUnit({ heading, target, unit }: ColumnMapping): { readonly unit?: TableUnit } {
  const stated = unit ?? (isTableNutrient(target) ? unitInHeading(heading) : undefined);
  return stated === undefined || (unit === undefined && factorTo(target, stated) === undefined) ? {} : { unit: stated };
}

const LONGEST_NAME = 200;
const LONGEST_CODE = 120;
/** Other names of a food. */
const MOST_NAMES = 100;
/** Food keeps so many grams of anything in 100 g, and a little for rounding. */
const MOST_SHARE = 1.03;
/** Pure fat burns to 900 kcal. */
const MOST_KCAL = 950;
/** What a spreadsheet would run. */
const FORMULA = /^[=@]|^[+-](?=[^\d\s.,])/;
const LIMITED_BY_WEIGHT: ReadonlySet<TableNutrient> = new Set([
  'protein',
  'fat',
  'saturates',
  'trans',
  'carbohydrateAvailable',
  'carbohydrateTotal',
  'sugars',
  'addedSugars',
  'fibre',
  'salt',
  'alcohol',
  'polyols',
]);

/**
 * Reads a row of a food table (docs/reckoning.md, "Nutrients" for units and what is unknown). Figures stay those of the table's own basis, in
 * the units of the kitchen file; a cell that is no figure is unknown and told. Carbohydrate is the available one where the table
 * gives both.
 */
export function foodFromRow(cells: readonly string[], { mapping, places }: PlacedMapping): RowRead {
  const faults: CellFault[] = [];
  const text = (target: 'name' | 'code' | 'otherNames' | 'group' | 'basis') => {
    const place = places.find((one) => one.target === target);
    return place === undefined ? '' : tidyText((cells[place.at] ?? '').replace(/\s+/g, ' ').trim());
  };
  const [name, code] = [text('name'), text('code')];
  const refused = refusalOf(name, code, places);
  if (refused) return { food: undefined, faults: [refused] };
  const basis = places.find(({ target }) => target === 'basis');
  const per = basis ? rowBasis(text('basis'), mapping.per.unit) : mapping.per;
  if (!per) {
    const said = text('basis');
    const message = `${said === '' ? 'nothing says what its figures are for' : `“${cutText(said, 40)}” is no weight or volume that its figures could be for`}: the row is left out`;
    return { food: undefined, faults: [{ heading: basis?.heading ?? '', message }] };
  }
  const { nutrients, shares, notes } = figuresOf(cells, mapping, per, places, faults);
  if (!places.some(({ target, at }) => isTableNutrient(target) && (cells[at] ?? '').trim() !== ''))
    return {
      food: undefined,
      faults: [{ heading: headingOf('name', places), message: 'no figures, like the heading of a group: the row is left out' }],
    };
  const { carbohydrateAvailable, carbohydrateTotal, ...others } = nutrients;
  const carbohydrate = carbohydrateAvailable ?? carbohydrateTotal;
  if (others.sodium !== undefined) delete others.salt;
  const names = text('otherNames')
    .split(/[;|/]/)
    .map((one) => cutText(one.trim(), 120))
    .filter((one) => one !== '' && !FORMULA.test(one))
    .slice(0, MOST_NAMES);
  const group = text('group');
  const { amount, unit } = per;
  const state = stateFromName(name);
  return {
    food: {
      code: code === '' ? cutText(name, LONGEST_CODE) : code,
      notes,
      food: {
        name: cutText(name, LONGEST_NAME),
        ...(state ? { state } : {}),
        ...(amount === 100 && unit === 'g' ? {} : { per: { amount, unit } }),
        nutrients: { ...others, ...(carbohydrate === undefined ? {} : { carbohydrate }) },
        ...(carbohydrateAvailable === undefined && carbohydrateTotal !== undefined ? { carbohydrateIs: 'total' as const } : {}),
        source: 'table',
        ...shares,
        ...(names.length === 0 ? {} : { names }),
        ...(group === '' || FORMULA.test(group) ? {} : { aisle: cutText(group, 60) }),
      },
    },
    faults,
  };
}

function refusalOf(name: string, code: string, places: PlacedMapping['places']): CellFault | undefined {
  if (name === '') return { heading: headingOf('name', places), message: 'no name: the row is left out' };
  if (FORMULA.test(name)) return { heading: headingOf('name', places), message: 'begins like a formula: the row is left out' };
  if (FORMULA.test(code)) return { heading: headingOf('code', places), message: 'begins like a formula: the row is left out' };
  return code.length > LONGEST_CODE
    ? { heading: headingOf('code', places), message: `more than ${LONGEST_CODE} letters: the row is left out` }
    : undefined;
}

function headingOf(target: 'name' | 'code', places: PlacedMapping['places']): string {
  return places.find((one) => one.target === target)?.heading ?? target;
}

type Amounts = { [nutrient in Nutrient | 'salt' | 'carbohydrateAvailable' | 'carbohydrateTotal']?: number };

interface Figures {
  readonly nutrients: Amounts;
  readonly shares: { refuse?: number; density?: number };
  readonly notes: CellNote[];
}

function figuresOf(
  cells: readonly string[],
  { decimal }: TableMapping,
  per: TableMapping['per'],
  places: PlacedMapping['places'],
  faults: CellFault[],
): Figures {
  const found: Figures = { nutrients: {}, shares: {}, notes: [] };
  for (const { target, unit, heading, at } of places) {
    if (!isTableNutrient(target) && target !== 'refuse' && target !== 'edible' && target !== 'density') continue;
    const cell = cellFigure(cells[at] ?? '', decimal);
    if (cell.kind === 'unknown') continue;
    if (cell.kind === 'unreadable') {
      faults.push({ heading, message: `${cell.message}: taken as unknown` });
      continue;
    }
    const factor = factorTo(target, cell.unit ?? unit);
    if (factor === undefined) {
      faults.push({ heading, message: `${cell.unit ?? unit} is no unit of it: taken as unknown` });
      continue;
    }
    const amount = exact(cell.amount * factor);
    const trouble = troubleOf(target, amount, cell.unit ?? unit, per.amount);
    if (trouble) {
      faults.push({ heading, message: trouble });
      continue;
    }
    if (cell.note) found.notes.push(cell.note);
    if (target === 'refuse') found.shares.refuse = amount;
    else if (target === 'edible') {
      if (amount < 1) found.shares.refuse = exact(1 - amount);
    } else if (target === 'density') found.shares.density = amount;
    else if (target === 'carbohydrateAvailable' || target === 'carbohydrateTotal') found.nutrients[target] = amount;
    else found.nutrients[nutrientOfTarget(target, cell.unit ?? unit)] = amount;
  }
  return found;
}

/** Why an amount cannot be: most often its unit is another than thought. */
function troubleOf(target: ColumnMapping['target'], amount: number, unit: TableUnit | undefined, per: number): string | undefined {
  const unknown = ': taken as unknown; is the unit right?';
  if (target === 'refuse') return amount < 1 ? undefined : `${exact(amount * 100)} % would leave nothing${unknown}`;
  if (target === 'edible') return amount > 0 && amount <= 1 ? undefined : `${exact(amount * 100)} % edible cannot be${unknown}`;
  if (target === 'density') return amount >= 0.05 && amount <= 20 ? undefined : `${amount} g/ml cannot be${unknown}`;
  if (target === 'energy') {
    const kcal = (unit === 'kJ' ? amount / 4 : amount) * (100 / per);
    return kcal <= MOST_KCAL ? undefined : `${amount} ${unit ?? 'kcal'} is more than pure fat has${unknown}`;
  }
  if (!isTableNutrient(target)) return undefined;
  if (LIMITED_BY_WEIGHT.has(target) && amount > per * MOST_SHARE) return `${amount} g in ${per} g cannot be${unknown}`;
  const nutrient = nutrientOfTarget(target, unit);
  if (nutrient !== 'salt' && unitOf(nutrient) === 'mg' && amount > per * 1000 * MOST_SHARE)
    return `${amount} mg in ${per} g cannot be${unknown}`;
  return undefined;
}

/** Freed of the binary noise that a change of unit leaves: 1.1 mg of 1000 is 1100. */
function exact(amount: number): number {
  return Number(amount.toPrecision(12));
}

/** States by the words tables name them with; the first that is found in a name decides. */
const STATES_BY_WORD: readonly (readonly [State, RegExp])[] = [
  ['drained', /\b(?:drained|egoutte|abgetropft|sgocciolato|escurrido)\b/],
  ['raw', /\b(?:raw|uncooked|cru|crue|crus|crues|roh|crudo|cruda|rauw|ra|raa|raaka)\b/],
  [
    'cooked',
    /\b(?:cooked|boiled|steamed|roasted|roast|baked|grilled|fried|stewed|braised|poached|microwaved|cuit|cuite|cuits|cuites|bouilli|roti|gekocht|gegart|gebraten|cocido|cotto|cotta|cozido|gekookt|kokt|kogt|keitetty)\b/,
  ],
  ['dry', /\b(?:dried|dry|dehydrated|powder|seche|sechee|sec|getrocknet|secco|seco|gedroogd|torkad|torret)\b/],
];

function stateFromName(name: string): State | undefined {
  const bare = normalForm(name, 'NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();
  return STATES_BY_WORD.find(([, words]) => words.test(bare))?.[0];
}
