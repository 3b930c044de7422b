import { ApiProperty } from '@nestjs/swagger';
import { SavedFoodDto } from '../http/saved.dto.js';

/** A food that recipes use, and how many do. */
export class UsedFoodDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiProperty() recipes: number;
}

/** A recipe that uses a food. */
export class FoodUseDto {
  @ApiProperty() id: string;
  @ApiProperty() title: string;
}

/** A food found for words. */
export class FoundFoodDto {
  @ApiProperty({ type: SavedFoodDto }) food: SavedFoodDto;
  @ApiProperty({ description: '0 to 1, the better the nearer to 1' }) score: number;
  @ApiProperty({ description: 'Recipes that use it' }) usedIn: number;
  @ApiProperty({ description: 'The imported table it is a row of; empty: the kitchen’s own' }) fromTable: string;
}
