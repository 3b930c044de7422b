import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { IsIn, IsOptional, IsString, Length, Matches } from 'class-validator';
import type { Recipe } from '@portiona/core';
import { ListFromKitchenFile } from '../http/kitchenFileSchemas.js';
import { SavedRecipeDto } from '../http/saved.dto.js';
import { KEPT_BECAUSE, type KeptBecause } from './recipeRevision.entity.js';

/** Why a version is still there. */
export const VERSION_REASONS = ['newest', 'published', 'cooked', 'base', ...KEPT_BECAUSE, 'day', 'draft'] as const;
export type VersionReason = (typeof VERSION_REASONS)[number];

/** A version of a recipe, without its content. */
export class VersionDto {
  @ApiProperty() revision: number;
  @ApiProperty({ description: 'ISO time' }) savedAt: string;
  @ApiProperty({ description: 'The person who saved it' }) savedBy: string;
  @ApiProperty({ description: 'Whether that is who asks' }) own: boolean;
  @ApiProperty() title: string;
  @ApiProperty({
    enum: VERSION_REASONS,
    isArray: true,
    description: 'Every reason why it is kept: "day" is the last of its day; "draft" is none, it will be let go of',
  })
  because: VersionReason[];
  @ApiProperty({ type: String, nullable: true, description: 'What it was named' }) name: string | null;
  @ApiProperty({ type: [Number], description: 'Issues of the card that were published from it' }) issues: number[];
  @ApiProperty({ type: [String], description: 'Days on which a batch was cooked from it' }) cooked: string[];
  @ApiProperty({ type: [String], description: 'Titles of the dishes that were agreed to rest on it' }) dishes: string[];
}

/** A version of a recipe with its content, and the other recipes that takes parts of, as they are now. */
export class OpenVersionDto extends SavedRecipeDto {
  @ListFromKitchenFile('Recipe', 'As in the kitchen file') subRecipes: Recipe[];
}

/** Why a version is to be kept. */
export class KeepVersionDto {
  @ApiProperty({ enum: KEPT_BECAUSE })
  @IsIn(KEPT_BECAUSE, { message: `must be one of: ${KEPT_BECAUSE.join(', ')}` })
  because: KeptBecause;
  @ApiPropertyOptional({ description: 'What it is called; asked for where it is named' })
  @IsOptional()
  @IsString({ message: 'must be a text' })
  @Length(1, 80, { message: 'must have 1 to 80 letters' })
  @Matches(/\S/, { message: 'must not be empty' })
  name?: string;
}
