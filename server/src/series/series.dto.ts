import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Id, Many, Optional, Quantity } from '@portiona/core';

/** A dish in its series. */
export class SeriesDishDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
  @ApiProperty({ type: Number, nullable: true, description: 'Its number today; null: it has none' }) number: number | null;
  @ApiProperty({ description: 'Of the recipe as it stands' }) revision: number;
  @ApiProperty({ type: Number, nullable: true, description: 'Newest issue of its card; null: it is not published' }) issue: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Number that its newest issue prints' }) printed: number | null;
  @ApiProperty({ type: String, nullable: true, description: 'Why the newest issue was taken back' }) takenBack: string | null;
  @ApiProperty({ type: [String], description: 'Foods that a booklet’s index has it under' }) indexed: readonly string[];
  @ApiProperty({ enum: ['recipe', 'title', 'list'], description: 'Who says so' })
  indexedBy: 'recipe' | 'title' | 'list';
}

/** A series: its dishes by their numbers, and what is wrong with those. */
export class SeriesDto {
  @ApiProperty() name: string;
  @ApiPropertyOptional({ description: 'Under its name on the title page' }) subtitle?: string;
  @ApiPropertyOptional({ description: 'What it is' }) about?: string;
  @ApiProperty({ type: [SeriesDishDto] }) dishes: readonly SeriesDishDto[];
  @ApiProperty({ type: [String], description: 'Numbers that are missing, doubled, or not there' }) trouble: readonly string[];
}

/** A dish's new number. */
export class NumberedDishDto {
  @ApiProperty() @Id() id: string;
  @ApiProperty({ description: 'Of the recipe as it was seen' }) @Quantity({ least: 1 }) revision: number;
  @ApiPropertyOptional({ description: 'Left out: none' }) @Optional() @Quantity({ most: 100_000 }) number?: number;
}

/** New numbers, all at once. */
export class NumberingDto {
  @ApiProperty({ type: [NumberedDishDto] }) @Many(() => NumberedDishDto, 1000, 'dishes') dishes: NumberedDishDto[];
}
