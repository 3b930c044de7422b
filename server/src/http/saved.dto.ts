import { ApiProperty } from '@nestjs/swagger';
import type { Food, Pack, Recipe } from '@portiona/core';
import { IsInt, IsObject, Max, Min } from 'class-validator';
import { FromKitchenFile } from './kitchenFileSchemas.js';

/** The greatest revision the database counts to. */
const MOST_REVISIONS = 2 ** 31 - 2;

/** A document with the revision it stands at. */
export class SavedDto {
  @ApiProperty() id: string;
  @ApiProperty() revision: number;
  @ApiProperty({ description: 'ISO time' }) savedAt: string;
  /** Described by the classes below. */
  document: object;
}

/** A new document. */
export class NewDto {
  /** Described by the classes below. */
  @IsObject({ message: 'must be an object as in the kitchen file' })
  document: object;
}

/** A document to save, and the revision it was made on. */
export class SaveDto extends NewDto {
  @ApiProperty({ description: 'The revision this save was made on' })
  @IsInt({ message: 'must be the whole number of the revision the save was made on' })
  @Min(1, { message: 'must be the revision the save was made on' })
  @Max(MOST_REVISIONS, { message: 'must be the revision the save was made on' })
  revision: number;
}

export class SavedFoodDto extends SavedDto {
  @FromKitchenFile('Food') declare document: Food;
}

export class SavedPackDto extends SavedDto {
  @FromKitchenFile('Pack') declare document: Pack;
}

export class SavedRecipeDto extends SavedDto {
  @FromKitchenFile('Recipe') declare document: Recipe;
}

export class NewFoodDto extends NewDto {
  @FromKitchenFile('Food') declare document: Food;
}

export class NewPackDto extends NewDto {
  @FromKitchenFile('Pack') declare document: Pack;
}

export class NewRecipeDto extends NewDto {
  @FromKitchenFile('Recipe') declare document: Recipe;
}

export class SaveFoodDto extends SaveDto {
  @FromKitchenFile('Food') declare document: Food;
}

export class SavePackDto extends SaveDto {
  @FromKitchenFile('Pack') declare document: Pack;
}

export class SaveRecipeDto extends SaveDto {
  @FromKitchenFile('Recipe') declare document: Recipe;
}
