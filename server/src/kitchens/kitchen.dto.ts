import { ApiProperty, ApiPropertyOptional, OmitType, PartialType } from '@nestjs/swagger';
import {
  GUIDELINES,
  RULE_SETS,
  Text,
  type CardSettings,
  type Guideline,
  type KitchenVessel,
  type LabelSheet,
  type NamedBrief,
  type RuleSet,
} from '@portiona/core';
import { FromKitchenFile, ListFromKitchenFile } from '../http/kitchenFileSchemas.js';

/** The kitchen's own figure of a serving. */
export class IndexDto {
  @ApiProperty() name: string;
  @ApiProperty({ description: 'Of + - * /, min, max, abs, numbers and figures of a serving' }) formula: string;
  @ApiPropertyOptional({ description: 'Rounded to multiples of it' }) step?: number;
}

/** A kitchen's name and settings, what is left out filled in. */
export class KitchenDto {
  @ApiProperty() name: string;
  @ApiProperty({ description: 'ISO 4217' }) currency: string;
  @ApiProperty({ enum: ['us', 'metric', 'au', 'imperial'] }) measures: 'us' | 'metric' | 'au' | 'imperial';
  @ApiProperty({ enum: RULE_SETS }) rules: RuleSet;
  @ApiProperty({ enum: ['counted', 'free'] }) staples: 'counted' | 'free';
  @ApiProperty({ description: 'Today, ISO date' }) date: string;
  @ApiPropertyOptional({ description: 'Days' }) maxPriceAge?: number;
  @ApiPropertyOptional({ type: IndexDto, description: 'The kitchen’s own figure of a serving' }) index?: IndexDto;
  @ListFromKitchenFile('NamedBrief', 'Briefs kept for the next dish: name and brief, as in the kitchen file', true)
  briefs?: NamedBrief[];
  @ApiPropertyOptional({ enum: GUIDELINES, description: 'Whose advice on keeping is followed; left out: that of the rules' })
  guideline?: Guideline;
  @ListFromKitchenFile('KitchenVessel', 'Pots and boxes of the kitchen: name, kind, weight empty, capacity, as in the kitchen file', true)
  vessels?: KitchenVessel[];
  @ListFromKitchenFile('LabelSheet', 'Sheets of labels of the kitchen’s own, as in the kitchen file', true)
  labelSheets?: LabelSheet[];
  @FromKitchenFile('CardSettings', 'How its cards are signed and printed, as in the kitchen file', true)
  card?: CardSettings;
  @ApiProperty({ description: 'Whether it holds no foods and no recipes yet' }) empty: boolean;
  @ApiProperty({ description: 'Whether it was begun: what a new kitchen is asked was answered' }) begun: boolean;
}

/** What a kitchen is called. */
export class NamedKitchen {
  @Text(200, true) name: string;
}

/** Settings to change; read by the kitchen file's own class. */
export class SettingsDto extends PartialType(
  OmitType(KitchenDto, ['empty', 'begun', 'maxPriceAge', 'index', 'guideline', 'card'] as const),
) {
  @ApiPropertyOptional({ type: IndexDto, nullable: true, description: 'Null: the kitchen has no figure of its own' })
  index?: IndexDto | null;
  @ApiPropertyOptional({ enum: GUIDELINES, nullable: true, description: 'Null: that of the rules' }) guideline?: Guideline | null;
  @ApiPropertyOptional({ type: Number, nullable: true, description: 'Days; null: prices of any age count' }) maxPriceAge?: number | null;
  @ApiPropertyOptional({
    type: 'object',
    additionalProperties: true,
    nullable: true,
    description: 'As a JSON merge patch (RFC 7396): what is left out stays, null takes it away; series are changed by their names',
  })
  card?: Record<string, unknown> | null;
}
