import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { IsIn, IsInt, IsObject, IsOptional, IsString, Max, MaxLength, Min } from 'class-validator';
import type { Recipe } from '@portiona/core';
import { FromKitchenFile, ListFromKitchenFile } from '../http/kitchenFileSchemas.js';
import { SavedRecipeDto } from '../http/saved.dto.js';

/** A figure of a list: unrounded, with whether something is lacking. */
export class ListedFigureDto {
  @ApiProperty({ type: 'number', nullable: true }) amount: number | null;
  @ApiProperty() atLeast: boolean;
}

/** A figure with the band it lies in with 95 % probability, in its unit; none where nothing is known. */
export class BandedFigureDto extends ListedFigureDto {
  @ApiProperty({ type: [Number], nullable: true, description: 'Low and high end' }) band: readonly number[] | null;
}

/** What one macronutrient brings of the energy, 0 to 1. */
export class EnergyShareDto {
  @ApiProperty({ enum: ['protein', 'carbohydrate', 'fat', 'fibre'] }) of: 'protein' | 'carbohydrate' | 'fat' | 'fibre';
  @ApiProperty() share: number;
}

/** A serving with what is added at the table. */
export class WithToppingDto {
  @ApiProperty({ type: ListedFigureDto }) energyKcal: ListedFigureDto;
  @ApiProperty({ type: ListedFigureDto }) protein: ListedFigureDto;
}

/** A recipe at a glance: what one box delivers and costs. */
export class ListedRecipeDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
  @ApiProperty() revision: number;
  @ApiProperty({ description: 'ISO time' }) savedAt: string;
  @ApiProperty({
    description: 'Something changed under it: it is being computed anew, and what stands here is as it was before, or unknown',
  })
  computing: boolean;
  @ApiPropertyOptional() series?: string;
  @ApiPropertyOptional() number?: number;
  @ApiProperty() servings: number;
  @ApiProperty() servingName: string;
  @ApiProperty({ type: String, nullable: true, description: 'Why it has no figures; null where it has' }) uncomputed: string | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Grams of one serving' }) weight: number | null;
  @ApiProperty({ type: BandedFigureDto }) energyKcal: BandedFigureDto;
  @ApiProperty({ type: BandedFigureDto }) protein: BandedFigureDto;
  @ApiProperty({ type: ListedFigureDto }) carbohydrate: ListedFigureDto;
  @ApiProperty({ type: ListedFigureDto }) fat: ListedFigureDto;
  @ApiProperty({ type: ListedFigureDto }) fibre: ListedFigureDto;
  @ApiProperty({ type: ListedFigureDto }) usedCost: ListedFigureDto;
  @ApiProperty({ type: ListedFigureDto, description: 'Whole packs for the batch, major units' }) tillCost: ListedFigureDto;
  @ApiProperty({ type: ListedFigureDto, nullable: true, description: "The kitchen's own figure; null where it has none" })
  index: ListedFigureDto | null;
  @ApiProperty({ type: [EnergyShareDto] }) energyShares: readonly EnergyShareDto[];
  @ApiProperty({ type: WithToppingDto, nullable: true, description: 'Null where nothing is added at the table' })
  withTopping: WithToppingDto | null;
  @ApiProperty({ enum: ['meets', 'perhaps', 'misses'], nullable: true, description: 'Its own brief; null where it has none' })
  brief: 'meets' | 'perhaps' | 'misses' | null;
  @ApiProperty({ description: 'Findings that make a figure wrong' }) wrong: number;
  @ApiProperty({ description: 'Findings to look at, but for the lines that are unsure' }) look: number;
  @ApiProperty({ description: 'Lines whose words may mean another food, and that nobody agreed to yet' }) unsure: number;
}

export const RECIPE_ORDERS = ['series', 'usedCost', 'protein', 'energyKcal', 'savedAt'] as const;
export type RecipeOrder = (typeof RECIPE_ORDERS)[number];

/** Rows one page has at most. */
const MOST_ROWS = 200;

/** Which recipes to show, in which order. */
export class RecipePageQuery {
  @ApiPropertyOptional({ enum: RECIPE_ORDERS, description: 'What is unknown comes last' })
  @IsOptional()
  @IsIn(RECIPE_ORDERS)
  order?: RecipeOrder;
  @ApiPropertyOptional({ description: 'Found in the title or the series' }) @IsOptional() @IsString() @MaxLength(200) words?: string;
  @ApiPropertyOptional({ type: Number, description: 'Rows to leave out' })
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(0)
  @Max(1e6)
  from?: number;
  @ApiPropertyOptional({ type: Number, description: 'Rows to show' })
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(0)
  @Max(MOST_ROWS)
  count?: number;
}

/** Some of the recipes. */
export class RecipePageDto {
  @ApiProperty({ description: 'How many there are to show' }) total: number;
  @ApiProperty({ description: 'How many of the kitchen are being computed anew, here or not: each may still come to stand elsewhere' })
  computing: number;
  @ApiProperty({ type: [ListedRecipeDto] }) recipes: ListedRecipeDto[];
}

/** A dish that takes parts of a recipe. */
export class UsedInDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
  @ApiProperty({ type: [String], description: 'Ids of the parts it takes' }) parts: string[];
}

/** A yield that batches have taught: of a part that states neither a weight nor a yield. */
export class LearnedYieldDto {
  @ApiProperty({ description: '"recipe/part"' }) of: string;
  @ApiProperty({ description: 'How many batches measured it' }) batches: number;
  @ApiProperty({ description: 'Cooked grams, with what was thrown away, of a gram eaten' }) mean: number;
  @ApiProperty({ description: 'Standard deviation of the sample' }) sd: number;
}

/** A recipe to work on, with the other recipes whose parts it takes, and the dishes that take its own. */
export class OpenRecipeDto extends SavedRecipeDto {
  @ListFromKitchenFile('Recipe', 'Other recipes that it draws on, as in the kitchen file') subRecipes: Recipe[];
  @ApiProperty({ type: [LearnedYieldDto], description: 'Yields that batches have taught, of its parts and of those it takes' })
  learned: LearnedYieldDto[];
  @ApiProperty({ type: [UsedInDto], description: 'Dishes not put away that take parts of it, by title' }) usedIn: UsedInDto[];
}

/** A dish with lines that find a food now, since foods have come. */
export class FoundAgainDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
  @ApiProperty() lines: number;
}

/** What a serving of a recipe gains when one food stands in another's place; null where nobody knows. */
export class SwapDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
  @ApiProperty() servingName: string;
  @ApiProperty({ type: Number, nullable: true }) energyKcal: number | null;
  @ApiProperty({ type: Number, nullable: true }) protein: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Major units' }) usedCost: number | null;
}

/** Recipes that one food could be swapped in, and what they hold of the foods compared. */
export class SwapsDto {
  @ApiProperty({ type: [SwapDto] }) swaps: SwapDto[];
  @ApiProperty({ type: Number, nullable: true, description: 'Edible grams of a serving, in the middle of all' }) usualGrams: number | null;
}

/** A brief to hold every recipe against. */
export class BriefDto {
  @FromKitchenFile('Brief') @IsObject({ message: 'must be an object as in the kitchen file' }) brief: object;
}

/** How a recipe stands to a brief. */
export class BriefVerdictDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
  @ApiProperty({ enum: ['meets', 'perhaps', 'misses'], description: 'Perhaps: a band reaches over a limit, or something is lacking' })
  verdict: 'meets' | 'perhaps' | 'misses';
  @ApiProperty({ description: 'How many things asked for are missed, wishes too' }) missed: number;
  @ApiProperty({ type: String, nullable: true, description: 'Why it cannot be judged; null where it can' }) uncomputed: string | null;
}
