import { ApiProperty } from '@nestjs/swagger';
import {
  Id,
  Instant,
  Many,
  must,
  OneOf,
  Optional,
  Price,
  Text,
  Texts,
  WholeNumber,
  type Food,
  type Pack,
  type StockItem,
} from '@portiona/core';
import { IsArray } from 'class-validator';
import { FromKitchenFile, ListFromKitchenFile } from '../http/kitchenFileSchemas.js';
import { SavedDto, SaveDto } from '../http/saved.dto.js';

/** Things that are put into stock at once, at most. */
const MOST_AT_ONCE = 500;

export class SavedStockDto extends SavedDto {
  @FromKitchenFile('Stock') declare document: StockItem;
}

export class SaveStockDto extends SaveDto {
  @FromKitchenFile('Stock') declare document: StockItem;
}

/** Things to put into stock. */
export class NewStockDto {
  @ListFromKitchenFile('Stock', 'Each as in the kitchen file')
  @IsArray({ message: 'must be a list' })
  @must(`must hold 1 to ${MOST_AT_ONCE} things`, (found) => Array.isArray(found) && found.length > 0 && found.length <= MOST_AT_ONCE, {})
  @must('must be a list of objects', (found) => Array.isArray(found) && found.every((one) => typeof one === 'object' && one !== null), {})
  items: StockItem[];
}

/** What is in the house, with the foods it is of. */
export class StockDto {
  @ApiProperty({ type: [SavedStockDto], description: 'What is to be used first, first' }) items: SavedStockDto[];
  @ListFromKitchenFile('Food', 'Foods of it') foods: Food[];
}

/** What one dish needs of a food. */
export class DishNeedDto {
  @ApiProperty() session: string;
  @ApiProperty({ description: 'Title of the dish' }) title: string;
  @ApiProperty() recipe: string;
  @ApiProperty({ type: Number, nullable: true, description: 'Grams as purchased; null where a line has no weight' }) grams: number | null;
}

/** What is needed of a food, less what is in stock. Grams as purchased; null where a line has no weight. */
export class FoodNeedDto {
  @ApiProperty() food: string;
  @ApiProperty({ type: Number, nullable: true }) need: number | null;
  @ApiProperty({ type: Number, nullable: true }) stock: number | null;
  @ApiProperty({ type: Number, nullable: true }) buy: number | null;
  @ApiProperty({ type: [DishNeedDto] }) dishes: DishNeedDto[];
}

/** A line that no food was matched to. */
export class UnmatchedLineDto {
  @ApiProperty() recipe: string;
  @ApiProperty() at: string;
  @ApiProperty() text: string;
}

/** A pack that was put into the basket, or was not there. */
export class ShoppingTickDto {
  @ApiProperty({ description: 'Food, net weight, unit and shop of the pack, as a JSON list' }) @Text(400, true) pack: string;
  @ApiProperty({ enum: ['bought', 'missing', 'open'] }) @OneOf(['bought', 'missing', 'open']) state: 'bought' | 'missing' | 'open';
  @ApiProperty({ description: 'How many' }) @WholeNumber(0, 10_000) count: number;
  @ApiProperty({ required: false, type: String, description: 'What one cost at the till, major units, such as "1.95"' })
  @Optional()
  @Price()
  paid?: number | string;
  @ApiProperty({ required: false, description: 'The food in whose place it was taken' }) @Optional() @Id() instead?: string;
  @ApiProperty({ description: 'When, where it was done: of two, the later counts' }) @Instant() at: string;
}

/** Ticks to keep. */
export class ShoppingTicksDto {
  @ApiProperty({ type: [String], description: 'Sessions that are shopped for' }) @Texts(120) sessions: string[];
  @ApiProperty({ type: [ShoppingTickDto] }) @Many(() => ShoppingTickDto, MOST_AT_ONCE, 'ticks') ticks: ShoppingTickDto[];
}

/** A tick as it is kept. */
export class KeptTickDto extends ShoppingTickDto {
  @ApiProperty({ description: 'Whether it was put into stock: it is counted there then' }) putAway: boolean;
}

/** A food that may be bought in another's place. */
export class StandInDto {
  @ApiProperty() food: string;
  @ApiProperty({ description: 'Words that both names share' }) shared: number;
  @ApiProperty({ type: Number, nullable: true, description: 'kcal of 100 g of it' }) energy: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'kcal of 100 g of what it stands in for' }) energyOf: number | null;
}

/** What may be bought where a food is not there. */
export class StandInsDto {
  @ApiProperty() of: string;
  @ApiProperty({ type: [StandInDto] }) foods: StandInDto[];
}

/** Everything a shopping list is worked out from, so that it can be done where there is no connection. */
export class ShoppingDto {
  @ApiProperty({ type: [String] }) sessions: string[];
  @ApiProperty() currency: string;
  @ApiProperty({ description: 'The day prices are chosen for' }) date: string;
  @ApiProperty({ type: Number, nullable: true, description: 'Days that a price counts' }) maxPriceAge: number | null;
  @ApiProperty({ description: 'What a way to a shop is worth, major units' }) trip: string;
  @ApiProperty({ type: [FoodNeedDto] }) needs: FoodNeedDto[];
  @ApiProperty({ type: [UnmatchedLineDto] }) unmatched: UnmatchedLineDto[];
  @ListFromKitchenFile('Food', 'Foods that are needed') foods: Food[];
  @ListFromKitchenFile('Pack', 'Their packs') packs: Pack[];
  @ApiProperty({ type: [KeptTickDto] }) ticks: KeptTickDto[];
  @ApiProperty({ type: [StandInsDto], description: 'What may be bought where a food is not there' }) standIns: StandInsDto[];
}

/** A food that a dish takes of what is left. */
export class UsedUpDto {
  @ApiProperty() name: string;
  @ApiProperty({ description: 'Grams as purchased' }) takes: number;
  @ApiProperty({ description: 'All that is left of it' }) all: boolean;
}

/** A dish that would use up some of what is left over. */
export class UsesUpDto {
  @ApiProperty() recipe: string;
  @ApiProperty() title: string;
  @ApiProperty({ description: 'What it takes of what is left is worth, major units' }) worth: number;
  @ApiProperty({ type: [UsedUpDto] }) foods: UsedUpDto[];
  @ApiProperty({ type: String, nullable: true, description: 'First day that something of it is to be used by, ISO' }) before: string | null;
}

/** What came of taking a batch out of stock. */
export class StockTakenDto {
  @ApiProperty({ description: 'How many things in stock were taken of' }) taken: number;
  @ApiProperty({ type: [String], description: 'Foods of which there was not enough' }) lacking: string[];
  @ApiProperty({ description: 'It was taken before: nothing was done' }) before: boolean;
}
