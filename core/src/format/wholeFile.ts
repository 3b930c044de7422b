import { BATCH_CLASSES, BatchEntry } from './batchFile.js';
import { CARD_CLASSES } from './cardFile.js';
import { Many, One, OneOf, Optional } from './constraints.js';
import {
  AddedLineEntry,
  AlsoEntry,
  BriefEntry,
  ChangedLineEntry,
  CountedPortionEntry,
  DampedEntry,
  DiscardEntry,
  EqualPortionEntry,
  EvaporationEntry,
  FoodEntry,
  GramsPortionEntry,
  IndexEntry,
  KitchenSettings,
  KitchenVesselEntry,
  LabelSheetEntry,
  LineEntry,
  LineFitEntry,
  LineOutEntry,
  NamedBriefEntry,
  NutrientsEntry,
  OtherWeightEntry,
  PackEntry,
  PartEntry,
  PerBatchEntry,
  PerEntry,
  RatioEntry,
  RecipeEntry,
  SheetGapEntry,
  SheetMarginEntry,
  SizeEntry,
  StatedEntry,
  AcceptedEntry,
  StepEntry,
  StepUseEntry,
  StepWayEntry,
  StorageEntry,
  TargetEntry,
  VariantEntry,
  VesselEntry,
  WithLineEntry,
  WithinEntry,
} from './kitchenFile.js';
import { PhotoEntry } from './photoFile.js';
import { SESSION_CLASSES, SessionEntry, StockEntry } from './sessionFile.js';
import { MOST_PEOPLE, PersonEntry, WEEK_CLASSES, WeekEntry } from './weekFile.js';
import { schemaOf, type SchemaPiece } from './schemaNotes.js';

/** A kitchen file, whole. */
export class KitchenFile {
  @OneOf(['portiona/1']) format: 'portiona/1';
  @Optional() @One(() => KitchenSettings) settings?: KitchenSettings;
  @Optional() @Many(() => FoodEntry) foods?: FoodEntry[];
  @Optional() @Many(() => PackEntry) packs?: PackEntry[];
  @Optional() @Many(() => RecipeEntry) recipes?: RecipeEntry[];
  @Optional() @Many(() => BatchEntry) batches?: BatchEntry[];
  @Optional() @Many(() => SessionEntry) sessions?: SessionEntry[];
  @Optional() @Many(() => StockEntry) stock?: StockEntry[];
  @Optional() @Many(() => PersonEntry, MOST_PEOPLE, 'people') people?: PersonEntry[];
  @Optional() @Many(() => WeekEntry) weeks?: WeekEntry[];
  @Optional() @Many(() => PhotoEntry) photos?: PhotoEntry[];
}

/** Every class of the kitchen file, for the schema. */
const CLASSES = [
  IndexEntry,
  KitchenSettings,
  PerEntry,
  NutrientsEntry,
  FoodEntry,
  PackEntry,
  AlsoEntry,
  WithinEntry,
  WithLineEntry,
  LineFitEntry,
  DampedEntry,
  RatioEntry,
  PerBatchEntry,
  EvaporationEntry,
  LineEntry,
  ChangedLineEntry,
  LineOutEntry,
  AddedLineEntry,
  OtherWeightEntry,
  VariantEntry,
  StatedEntry,
  AcceptedEntry,
  DiscardEntry,
  VesselEntry,
  EqualPortionEntry,
  GramsPortionEntry,
  CountedPortionEntry,
  PartEntry,
  StorageEntry,
  TargetEntry,
  BriefEntry,
  NamedBriefEntry,
  KitchenVesselEntry,
  SizeEntry,
  SheetMarginEntry,
  SheetGapEntry,
  LabelSheetEntry,
  StepUseEntry,
  StepWayEntry,
  StepEntry,
  RecipeEntry,
  ...BATCH_CLASSES,
  ...CARD_CLASSES,
  ...SESSION_CLASSES,
  ...WEEK_CLASSES,
  PhotoEntry,
];

/** The kitchen file's JSON Schema, from the classes above. */
export function kitchenSchema(): SchemaPiece {
  return { title: 'Kitchen file, portiona/1', ...schemaOf(KitchenFile, CLASSES) };
}
