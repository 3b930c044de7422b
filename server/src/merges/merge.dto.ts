import { ApiProperty } from '@nestjs/swagger';
import { Text } from '@portiona/core';
import { FromKitchenFile } from '../http/kitchenFileSchemas.js';
import { SwapDto } from '../recipes/recipe.dto.js';

/** Two foods that are the same: one stays, the other's uses and packs become its. */
export class MergeDto {
  @ApiProperty({ description: 'The food that stays' }) @Text(200) kept: string;
  @ApiProperty({ description: 'The food that is put away' }) @Text(200) gone: string;
}

/** What a merge would do. */
export class MergePreviewDto {
  @FromKitchenFile('Food', 'The food as it would stand, as in the kitchen file') food: object;
  @ApiProperty({ description: 'Packs that would be the kept one’s' }) packs: number;
  @ApiProperty({ type: [SwapDto], description: 'Recipes that hold it, and what a serving would gain' }) recipes: SwapDto[];
}
