import { ApiProperty } from '@nestjs/swagger';
import { UpstreamFiguresDto } from './upstreamChanges.dto.js';

/** 100 g of a part, cooked; null where nobody knows. */
export class Per100Dto {
  @ApiProperty({ type: Number, nullable: true }) energyKcal: number | null;
  @ApiProperty({ type: Number, nullable: true }) protein: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Major units' }) usedCost: number | null;
}

/** A part that another recipe can take a line of. */
export class ReusablePartDto {
  @ApiProperty({ description: 'recipe/part' }) id: string;
  @ApiProperty() recipe: string;
  @ApiProperty() part: string;
  @ApiProperty({ description: 'Of the recipe' }) title: string;
  @ApiProperty({ description: 'What it is called away from home' }) name: string;
  @ApiProperty({ description: 'What a line calls it' }) called: string;
  @ApiProperty({ type: [String], description: 'Other names it is found by' }) names: readonly string[];
  @ApiProperty({ description: 'Servings of the recipe it belongs to' }) servings: number;
  @ApiProperty() servingName: string;
  @ApiProperty({ description: 'Grams cooked, at its own size' }) cooked: number;
  @ApiProperty() estimated: boolean;
  @ApiProperty({ description: 'Grams of one of its servings' }) portion: number;
  @ApiProperty({ type: Per100Dto }) per100: Per100Dto;
}

/** Grams a dish takes of a part, for its batch. */
export class TakenDto {
  @ApiProperty() part: string;
  @ApiProperty() grams: number;
}

/** A dish that takes parts of a recipe, with its serving before and after what moved under it. */
export class DishDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
  @ApiProperty() servings: number;
  @ApiProperty() servingName: string;
  @ApiProperty({ type: [TakenDto] }) taken: TakenDto[];
  @ApiProperty({ type: UpstreamFiguresDto, description: 'With what it was agreed to rest on' }) before: UpstreamFiguresDto;
  @ApiProperty({ type: UpstreamFiguresDto, description: 'As everything stands' }) now: UpstreamFiguresDto;
}
