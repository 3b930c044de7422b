import 'reflect-metadata';
import {
  ALLERGENS,
  COOKING_METHODS,
  CARBOHYDRATE_CONVENTIONS,
  NUTRIENTS,
  RULE_SETS,
  SOURCES,
  STATES,
  type Allergen,
  type CarbohydrateConvention,
  type CookingMethod,
  type Food,
  type PrintedBasis,
  type PrintedNutrients,
  type RuleSet,
  type Source,
  type State,
} from '../food/index.js';
import type { Pack } from '../price/index.js';
import { MEASURING_SYSTEMS, type Amount, type MeasuringSystem } from '../quantity/index.js';
import {
  BRIEF_FIGURES,
  FINDING_CODES,
  GUIDELINES,
  isIndexFormula,
  METHODS,
  SERVED,
  TARGET_KINDS,
  VESSEL_KINDS,
  type AcceptedFinding,
  type FindingCode,
  type Brief,
  type BriefFigure,
  type Guideline,
  type IndexFormula,
  type KitchenVessel,
  type LabelSheet,
  type NamedBrief,
  type Target,
  type TargetKind,
  type Discard,
  type Line,
  type Method,
  type Part,
  type Portion,
  type Recipe,
  type FitBound,
  type LineFit,
  type StatedNutrition,
  type Variant,
  type VariantChange,
  type Scaling,
  type Served,
  type Step,
  type StepUse,
  type StepWay,
  type Storage,
  type Vessel,
} from '../recipe/index.js';
import { CardChoicesEntry, CardSettingsEntry, DishPhotoEntry } from './cardFile.js';
import {
  AnyOf,
  Currency,
  Day,
  Flag,
  Id,
  LineId,
  ListOf,
  Many,
  ManyAnyOf,
  must,
  NumbersByName,
  One,
  OneOf,
  Optional,
  Price,
  Quantity,
  Text,
  Texts,
  WrittenAmount,
  WholeNumber,
  WholeNumbers,
} from './constraints.js';

/** Characters of a place, "part/line", at most; and of a step. */
const LONGEST_PLACE = 241;
const LONGEST_STEP = 2000;
const MOST_STEPS = 200;
/** Minutes of a step, at most: sixty days. */
const LONGEST_MINUTES = 86_400;

/** The one definition of the kitchen file: reading, the server's input and the schema all follow from these classes. */
export class PerEntry implements PrintedBasis {
  @Quantity({ above: 0 }) amount: number;
  @Text(60, true) unit: string;
}

export class NutrientsEntry implements PrintedNutrients {
  [nutrient: string]: number | null | undefined;
}
for (const nutrient of [...NUTRIENTS, 'salt'])
  for (const decorate of [
    Optional(),
    must(
      'must be a number from 0 to 1e9, or null where unknown',
      (found) => found === null || (typeof found === 'number' && Number.isFinite(found) && found >= 0 && found <= 1e9),
      { type: ['number', 'null'], minimum: 0, maximum: 1e9 },
    ),
  ])
    decorate(NutrientsEntry.prototype, nutrient);

export class FoodEntry implements Food {
  @Id() id: string;
  @Text(200, true) name: string;
  @Optional() @OneOf(STATES) state?: State;
  @Optional() @One(() => PerEntry) per?: PerEntry;
  @Optional() @One(() => NutrientsEntry) nutrients?: NutrientsEntry;
  @Optional() @OneOf(CARBOHYDRATE_CONVENTIONS) carbohydrateIs?: CarbohydrateConvention;
  @Optional() @OneOf(['factored']) energyIs?: 'factored';
  @Optional() @OneOf(SOURCES) source?: Source;
  @Optional() @Quantity({ above: 0 }) density?: number;
  @Optional() @NumbersByName(false) measures?: { [measure: string]: number };
  @Optional()
  @must(
    'must be "edible" or a list of the food\'s measures',
    (found) => found === 'edible' || (Array.isArray(found) && found.length <= 200 && found.every((name) => typeof name === 'string')),
    { oneOf: [{ const: 'edible' }, { type: 'array', items: { type: 'string' } }] },
  )
  measuresAre?: 'edible' | string[];
  @Optional() @Quantity({ below: 1 }) refuse?: number;
  @Optional() @Quantity({ above: 0 }) drained?: number;
  @Optional() @Quantity({ above: 0 }) yield?: number;
  @Optional() @ListOf(ALLERGENS) allergens?: Allergen[];
  @Optional() @ListOf(ALLERGENS) mayContain?: Allergen[];
  @Optional() @Flag() staple?: boolean;
  @Optional() @Text(60) aisle?: string;
  @Optional() @Texts(120) names?: string[];
  @Optional() @NumbersByName(true) yields?: { [method: string]: number };
}

export class PackEntry implements Pack {
  @Optional() @Id() id?: string;
  @Id() food: string;
  @Quantity({ above: 0 }) net: number;
  @Text(60, true) unit: string;
  @Price() price: number | string;
  @Currency() currency: string;
  @Text(120) shop: string;
  @Day() seen: string;
  @Optional() @Flag() pinned?: boolean;
  @Optional() @Flag() promotion?: boolean;
  @Optional() @Price() usual?: number | string;
  @Optional() @Day() until?: string;
}

export class AlsoEntry {
  @Quantity() amount: number;
  @Text(60, true) unit: string;
}

export class WithinEntry {
  @Quantity({ above: 0, most: 10 }) within: number;
}

export class WithLineEntry {
  @Text(LONGEST_PLACE) withLine: string;
}

export class LineFitEntry implements LineFit {
  @Optional()
  @AnyOf('must be "locked", "whole", "packs", {"within": 0.2} or {"withLine": "part/1"}', {
    words: ['locked', 'whole', 'packs'],
    types: [WithinEntry, WithLineEntry],
  })
  bound?: FitBound;
  @Optional() @Quantity({ above: 0, most: 100 }) weight?: number;
}

export class DampedEntry {
  @Quantity() damped: number;
}

export class RatioEntry {
  @Text(LONGEST_PLACE) ratioTo: string;
  @Quantity() share: number;
}

export class PerBatchEntry {
  @Quantity() perBatch: number;
}

export class EvaporationEntry {
  @One(() => PerBatchEntry) evaporation: PerBatchEntry;
}

export class LineEntry implements Line {
  @Optional() @LineId() id?: string;
  @Optional() @Id() food?: string;
  @Optional() @Id() recipe?: string;
  @Optional() @Id() part?: string;
  @Optional() @WrittenAmount() amount?: Amount;
  @Optional() @Text(60, true) unit?: string;
  @Optional() @OneOf(['AP', 'EP']) as?: 'AP' | 'EP';
  @Optional() @OneOf(STATES) state?: State;
  @Optional() @OneOf(COOKING_METHODS) cooking?: CookingMethod;
  @Optional() @Quantity({ most: 0.95 }) loss?: number;
  @Optional() @Quantity({ most: 1 }) retained?: number;
  @Optional() @Quantity() toTaste?: number;
  @Optional() @OneOf(METHODS) method?: Method;
  @Optional() @Flag() optional?: boolean;
  @Optional()
  @AnyOf(
    'must be "proportional", "fixed", "whole", {"damped": 0.8}, {"ratioTo": "part/1", "share": 0.015} or {"evaporation": {"perBatch": 150}}',
    { words: ['proportional', 'fixed', 'whole'], types: [DampedEntry, RatioEntry, EvaporationEntry] },
  )
  scaling?: Scaling;
  @Optional() @One(() => AlsoEntry) also?: AlsoEntry;
  @Optional() @Quantity({ most: 1 }) retention?: number;
  @Optional() @Text(500) note?: string;
  @Optional() @One(() => LineFitEntry) fit?: LineFitEntry;
  @Optional() @Text(1000) comment?: string;
  @Optional() @Text(500) text?: string;
  @Optional() @Flag() agreed?: boolean;
}

export class DiscardEntry implements Discard {
  @Id() food: string;
  @Quantity() amount: number;
  @Text(60, true) unit: string;
}

export class VesselEntry implements Vessel {
  @Text(60, true) name: string;
  @Quantity({ above: 0 }) capacity: number;
  @Quantity({ above: 0, most: 1 }) fillLimit: number;
  @Optional()
  @must('must be a whole number from 1 to 50', (found) => Number.isInteger(found) && Number(found) >= 1 && Number(found) <= 50, {
    type: 'integer',
    minimum: 1,
    maximum: 50,
  })
  count?: number;
}

export class EqualPortionEntry {
  @OneOf(['equal']) by: 'equal';
}

export class GramsPortionEntry {
  @OneOf(['grams']) by: 'grams';
  @Quantity({ above: 0 }) grams: number;
  @Optional() @Flag() eye?: boolean;
}

export class CountedPortionEntry {
  @OneOf(['pieces', 'volume']) by: 'pieces' | 'volume';
  @Quantity({ above: 0 }) made: number;
  @Quantity({ above: 0 }) each: number;
}

export class PartEntry implements Part {
  @Id() id: string;
  @Text(200, true) name: string;
  @Optional() @OneOf(SERVED) served?: Served;
  @Many(() => LineEntry) lines: LineEntry[];
  @Optional() @Many(() => DiscardEntry, 200, 'discards') discards?: DiscardEntry[];
  @Optional() @Quantity({ above: 0 }) cookedWeight?: number;
  @Optional() @Quantity({ above: 0 }) measuredFor?: number;
  @Optional() @Quantity({ above: 0 }) yield?: number;
  @Optional()
  @AnyOf(
    'must be {"by": "equal"}, {"by": "grams", "grams": 280}, {"by": "pieces", "made": 18, "each": 3} or {"by": "volume", "made": 3000, "each": 500}, numbers above 0',
    { types: [EqualPortionEntry, GramsPortionEntry, CountedPortionEntry] },
  )
  portion?: Portion;
  @Optional() @One(() => VesselEntry) vessel?: VesselEntry;
}

export class TargetEntry implements Target {
  @OneOf(BRIEF_FIGURES) figure: BriefFigure;
  @OneOf(TARGET_KINDS) is: TargetKind;
  @Quantity() amount: number;
  @Optional() @Quantity({ above: 0, most: 1 }) within?: number;
  @Optional() @Flag() wish?: boolean;
  @Optional() @Quantity({ above: 0, most: 100 }) weight?: number;
}

export class BriefEntry implements Brief {
  @Optional() @Many(() => TargetEntry, 100, 'targets') targets?: TargetEntry[];
  @Optional() @Quantity({ above: 0 }) boxVolume?: number;
  @Optional() @Quantity({ most: 100_000 }) activeMinutes?: number;
  @Optional() @Quantity({ most: 100_000 }) totalMinutes?: number;
  @Optional() @Texts(120) equipment?: string[];
  @Optional() @Quantity({ most: 60 }) fridgeDays?: number;
  @Optional() @Flag() freezes?: boolean;
  @Optional() @ListOf(ALLERGENS) avoidAllergens?: Allergen[];
  @Optional() @Texts(60) avoidGroups?: string[];
  @Optional() @Text(500) audience?: string;
}

export class NamedBriefEntry implements NamedBrief {
  @Text(80, true) name: string;
  @One(() => BriefEntry) brief: BriefEntry;
}

export class IndexEntry implements IndexFormula {
  @Text(80, true) name: string;
  @must(
    'must be a formula of + - * /, min, max, abs, numbers and figures of a serving, such as "energyKcal / 50 + fat / 12"',
    isIndexFormula,
    { type: 'string', maxLength: 500 },
  )
  formula: string;
  @Optional() @Quantity({ above: 0 }) step?: number;
}

/** A pot or a box of the kitchen's own. */
export class KitchenVesselEntry implements KitchenVessel {
  @Text(80, true) name: string;
  @OneOf(VESSEL_KINDS) kind: KitchenVessel['kind'];
  @Optional() @Quantity({ above: 0, most: 100_000 }) weight?: number;
  @Optional() @Quantity({ above: 0, most: 1_000_000 }) capacity?: number;
}

/** Millimetres of something that has two sides. */
export class SizeEntry {
  @Quantity({ above: 0, most: 2000 }) width: number;
  @Quantity({ above: 0, most: 2000 }) height: number;
}
export class SheetMarginEntry {
  @Quantity({ most: 2000 }) left: number;
  @Quantity({ most: 2000 }) top: number;
}
export class SheetGapEntry {
  @Quantity({ most: 2000 }) across: number;
  @Quantity({ most: 2000 }) down: number;
}
/** A sheet of labels. */
export class LabelSheetEntry implements LabelSheet {
  @Text(80, true) name: string;
  @One(() => SizeEntry) page: SizeEntry;
  @WholeNumber(1, 50) columns: number;
  @WholeNumber(1, 100) rows: number;
  @One(() => SizeEntry) cell: SizeEntry;
  @One(() => SheetMarginEntry) margin: SheetMarginEntry;
  @One(() => SheetGapEntry) gap: SheetGapEntry;
}

export class KitchenSettings {
  @Optional() @Currency() currency?: string;
  @Optional() @OneOf(MEASURING_SYSTEMS) measures?: MeasuringSystem;
  @Optional() @OneOf(RULE_SETS) rules?: RuleSet;
  @Optional() @OneOf(['counted', 'free']) staples?: 'counted' | 'free';
  @Optional() @Day() date?: string;
  @Optional() @Quantity() maxPriceAge?: number;
  @Optional() @One(() => IndexEntry) index?: IndexEntry;
  @Optional() @Many(() => NamedBriefEntry, 200, 'briefs') briefs?: NamedBriefEntry[];
  @Optional() @OneOf(GUIDELINES) guideline?: Guideline;
  @Optional() @Many(() => KitchenVesselEntry, 200, 'vessels') vessels?: KitchenVesselEntry[];
  @Optional() @Many(() => LabelSheetEntry, 50, 'sheets') labelSheets?: LabelSheetEntry[];
  @Optional() @One(() => CardSettingsEntry) card?: CardSettingsEntry;
  @Optional() @Price() shoppingTrip?: number | string;
}

export class StorageEntry implements Storage {
  @Optional() @Quantity({ most: 60 }) fridgeDays?: number;
  @Optional() @Quantity({ most: 60 }) freezerMonths?: number;
  @Optional() @Flag() freezes?: boolean;
  @Optional() @Text(500) reheat?: string;
}

/** Another line in the place of one of the dish. */
export class ChangedLineEntry {
  @Text(LONGEST_PLACE, true) at: string;
  @One(() => LineEntry) line: LineEntry;
}

/** A line of the dish that a variant does not have. */
export class LineOutEntry {
  @Text(LONGEST_PLACE, true) at: string;
  @must('must be true', (found) => found === true, { enum: [true] }) out: true;
}

/** A line that only a variant has. */
export class AddedLineEntry {
  @Id() part: string;
  @One(() => LineEntry) line: LineEntry;
}

/** What a part of a variant weighed, cooked. */
export class OtherWeightEntry {
  @Id() part: string;
  @Quantity({ above: 0 }) cookedWeight: number;
}

export class VariantEntry implements Variant {
  @Text(80, true) name: string;
  @ManyAnyOf('must be {"at", "line"}, {"at", "out": true}, {"part", "line"} or {"part", "cookedWeight"}', 1000, 'changes', {
    types: [ChangedLineEntry, LineOutEntry, AddedLineEntry, OtherWeightEntry],
  })
  changes: VariantChange[];
}

/** What a step holds, at a heat. */
export class StepUseEntry {
  @Text(60, true) name: string;
  @Optional() @Quantity({ most: 1000 }) at?: number;
}

/** What a step holds: names, or names with a heat. */
export function Uses(): PropertyDecorator {
  return ManyAnyOf('must be a name, or {"name": "oven", "at": 180}', 20, 'things', { text: 60, types: [StepUseEntry] });
}

/** Another way to do what a step does. */
export class StepWayEntry implements StepWay {
  @Text(80, true) name: string;
  @Text(LONGEST_STEP) text: string;
  @Optional() @WholeNumber(0, LONGEST_MINUTES) minutes?: number;
  @Optional() @WholeNumber(0, LONGEST_MINUTES) hands?: number;
  @Optional() @Uses() uses?: StepUse[];
}

export class StepEntry {
  @Optional() @LineId() id?: string;
  @Text(LONGEST_STEP) text: string;
  @Optional() @Id() part?: string;
  @Optional() @WholeNumber(0, LONGEST_MINUTES) minutes?: number;
  @Optional() @WholeNumber(0, LONGEST_MINUTES) hands?: number;
  @Optional() @Uses() uses?: StepUse[];
  @Optional() @WholeNumbers(1, MOST_STEPS, MOST_STEPS) after?: number[];
  @Optional() @WholeNumber(0, LONGEST_MINUTES) within?: number;
  @Optional() @Many(() => StepWayEntry, 10, 'ways') or?: StepWayEntry[];
}

export class StatedEntry implements StatedNutrition {
  @OneOf(['serving', 'whole']) of: 'serving' | 'whole';
  @One(() => NutrientsEntry) nutrients: NutrientsEntry;
}

export class AcceptedEntry implements AcceptedFinding {
  @OneOf(FINDING_CODES) code: FindingCode;
  @Text(120, true) at: string;
  @Text(500, true) because: string;
  @Optional() @Text(20) about?: string;
  @Optional() @Day() on?: string;
}

export class RecipeEntry implements Recipe {
  @Id() id: string;
  @Text(200, true) title: string;
  @Quantity({ least: 1 }) servings: number;
  @Optional() @Text(60, true) servingName?: string;
  @Optional() @OneOf(MEASURING_SYSTEMS) measures?: MeasuringSystem;
  @Optional() @OneOf(['batch', 'serving']) amountsPer?: 'batch' | 'serving';
  @Many(() => PartEntry, 200, 'parts; split the recipe')
  @must('must hold at least one part', (found) => !Array.isArray(found) || found.length > 0, { minItems: 1 })
  parts: PartEntry[];
  @Optional() @Text(120) series?: string;
  @Optional() @Quantity({ most: 100_000 }) number?: number;
  @Optional() @Text(1000) lead?: string;
  @Optional()
  @ManyAnyOf(
    `must be a text, or {"text": "Stew {compote/1 plums}", "part": "compote"}, of at most ${LONGEST_STEP} characters`,
    MOST_STEPS,
    'steps',
    { text: LONGEST_STEP, types: [StepEntry] },
  )
  steps?: Step[];
  @Optional() @Quantity({ most: 100_000 }) activeMinutes?: number;
  @Optional() @Quantity({ most: 100_000 }) totalMinutes?: number;
  @Optional() @One(() => StorageEntry) storage?: StorageEntry;
  @Optional() @One(() => BriefEntry) brief?: BriefEntry;
  @Optional() @Many(() => VariantEntry, 50, 'variants') variants?: VariantEntry[];
  @Optional() @Text(500) source?: string;
  @Optional() @One(() => StatedEntry) stated?: StatedEntry;
  @Optional() @Many(() => AcceptedEntry, 500, 'findings left') accepted?: AcceptedEntry[];
  @Optional() @One(() => DishPhotoEntry) photo?: DishPhotoEntry;
  @Optional() @Texts(60) indexedUnder?: string[];
  @Optional() @One(() => CardChoicesEntry) card?: CardChoicesEntry;
}
