import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import {
  BRIEF_FIGURES,
  KEEPS,
  type BoxFigure,
  type BoxOf,
  type GoneBoxes,
  type Keep,
  type Person,
  type PlannedMeal,
  type Week,
} from '@portiona/core';
import { FromKitchenFile, ListFromKitchenFile, schemaOfEntry } from '../http/kitchenFileSchemas.js';
import { NewDto, SavedDto, SaveDto } from '../http/saved.dto.js';

/** What boxes are spoken of, as a week does. */
function BoxesNamed(): PropertyDecorator {
  return ApiProperty({ oneOf: [schemaOfEntry('BatchBoxes'), schemaOfEntry('SessionBoxes')] });
}

export class NewPersonDto extends NewDto {
  @FromKitchenFile('Person') declare document: Person;
}

export class SavePersonDto extends SaveDto {
  @FromKitchenFile('Person') declare document: Person;
}

/** A person with the revision they stand at. */
export class SavedPersonDto extends SavedDto {
  @FromKitchenFile('Person') declare document: Person;
}

export class NewWeekDto extends NewDto {
  @FromKitchenFile('Week') declare document: Week;
}

export class SaveWeekDto extends SaveDto {
  @FromKitchenFile('Week') declare document: Week;
}

/** A week with the revision it stands at. */
export class SavedWeekDto extends SavedDto {
  @FromKitchenFile('Week') declare document: Week;
}

const BOX_FIGURE = {
  type: 'object',
  properties: { amount: { type: 'number' }, atLeast: { type: 'boolean', enum: [true] }, uncertain: { type: 'number' } },
} as const;

/** What one box holds. */
export class BoxContentDto {
  @ApiPropertyOptional({ description: 'The variant; left out: as the dish is written' }) variant?: string;
  @ApiProperty({
    type: 'object',
    properties: Object.fromEntries(BRIEF_FIGURES.map((figure) => [figure, BOX_FIGURE])),
    description: 'By figure: the amount, whether it is "at least", and its standard uncertainty',
  })
  figures: { [figure: string]: BoxFigure };
  @ApiPropertyOptional({ description: 'Its share of whole packs, its dish bought for alone, major units' }) till?: number;
}

/** Boxes alike. */
export class BoxPoolDto {
  @ApiProperty() key: string;
  @BoxesNamed() box: BoxOf;
  @ApiProperty() recipe: string;
  @ApiProperty() title: string;
  @ApiPropertyOptional({ description: 'The name on the box' }) name?: string;
  @ApiProperty() count: number;
  @ApiProperty({ description: 'ISO day' }) cooked: string;
  @ApiProperty({ description: 'Of a session, not cooked yet' }) planned: boolean;
  @ApiPropertyOptional({ type: Boolean, enum: [true], description: 'Cooked after noon: there late only, that day' }) afternoon?: true;
  @ApiPropertyOptional({ enum: KEEPS, description: 'Left out: that follows from the day' }) keep?: Keep;
  @ApiPropertyOptional({ description: 'Last day from the fridge, ISO' }) fridgeUntil?: string;
  @ApiPropertyOptional({ description: 'Last day from the freezer, ISO' }) freezerUntil?: string;
  @ApiProperty({ description: 'By whose word it keeps that long' }) because: string;
  @ApiProperty({ type: [BoxContentDto] }) contents: BoxContentDto[];
}

/** A dish that no boxes could be had of, and why. */
export class LeftOutDishDto {
  @ApiProperty({ enum: ['no boxes', 'not computed', 'cooked'] }) kind: 'no boxes' | 'not computed' | 'cooked';
  @ApiProperty() title: string;
  @ApiProperty({ description: 'ISO day' }) date: string;
  @ApiProperty() recipe: string;
  @ApiPropertyOptional() batch?: string;
  @ApiPropertyOptional() session?: string;
  @ApiPropertyOptional({ description: 'From 1' }) dish?: number;
  @ApiPropertyOptional() because?: string;
}

/** A session of which a week eats. */
export class WeekSessionDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiProperty({ description: 'ISO day' }) date: string;
  @ApiProperty({ description: 'Time of day' }) start: string;
}

/** A dish that somebody may wish at a meal. */
export class WeekDishDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
}

/** What shopping for the sessions of a week comes to at the till. */
export class WeekTillDto {
  @ApiProperty({ type: [String], description: 'The sessions: from the Saturday before to the Friday of the week' }) sessions: string[];
  @ApiProperty({ description: 'Of the packs, major units' }) cost: string;
  @ApiProperty({ description: 'Something has no price, or no weight' }) atLeast: boolean;
  @ApiProperty({ description: 'What is left over of the packs is worth, major units' }) leftWorth: number;
}

/** Everything a week is worked out from. */
export class OpenWeekDto {
  @ApiProperty({ type: SavedWeekDto, nullable: true, description: 'Null where nothing is planned yet' }) week: SavedWeekDto | null;
  @ApiProperty({ type: [SavedPersonDto] }) people: SavedPersonDto[];
  @ListFromKitchenFile('PlannedMeal', 'Meals of the other weeks') others: PlannedMeal[];
  @ListFromKitchenFile('GoneBoxes', 'Boxes that are gone, by the other weeks') gone: GoneBoxes[];
  @ApiProperty({ type: [BoxPoolDto] }) pools: BoxPoolDto[];
  @ApiProperty({ type: [LeftOutDishDto] }) leftOut: LeftOutDishDto[];
  @ApiProperty({ type: [WeekSessionDto] }) sessions: WeekSessionDto[];
  @ApiProperty({ type: [WeekDishDto], description: 'Dishes at hand, by title' }) dishes: WeekDishDto[];
  @ApiProperty({ description: 'The kitchen’s day, ISO' }) today: string;
  @ApiProperty() currency: string;
  @ApiProperty({ type: WeekTillDto, nullable: true, description: 'Of the sessions that the week is cooked in; null where there are none' })
  till: WeekTillDto | null;
}
