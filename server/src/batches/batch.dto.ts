import { ApiProperty } from '@nestjs/swagger';
import { Many, must, type Batch, type Food, type Recipe } from '@portiona/core';
import { IsObject } from 'class-validator';
import { FromKitchenFile, ListFromKitchenFile } from '../http/kitchenFileSchemas.js';
import { NewDto, SavedDto, SaveDto } from '../http/saved.dto.js';

/** Things measured that one request brings at most: what an evening without a connection gathers. */
const MOST_EDITS = 500;

export class NewBatchDto extends NewDto {
  @FromKitchenFile('Batch') declare document: Batch;
}

export class SaveBatchDto extends SaveDto {
  @FromKitchenFile('Batch') declare document: Batch;
}

/** A batch with the revision it stands at, and that of the recipe it was cooked from. */
export class SavedBatchDto extends SavedDto {
  @FromKitchenFile('Batch') declare document: Batch;
  @ApiProperty({ description: 'The recipe’s revision it was cooked from' }) recipeRevision: number;
}

/** A batch to work on, with what it is computed with. */
export class OpenBatchDto extends SavedBatchDto {
  @ListFromKitchenFile('Recipe', 'The recipe as it stands, and those it draws on') recipes: Recipe[];
  @ListFromKitchenFile('Food', 'Foods that it and the other batches speak of, put away or not') foods: Food[];
  @ListFromKitchenFile('Batch', 'Batches of the recipe, this one among them, in the order of their days') siblings: Batch[];
}

/** One thing that was measured or done. */
export class BatchEditDto {
  @ApiProperty({ description: 'Made where it was measured: sent again, it counts once' })
  @must('must be a UUID, made where the thing was measured', (found) => typeof found === 'string' && UUID.test(found), {})
  id: string;

  @ApiProperty({ type: 'object', additionalProperties: true, description: 'What was done; its kind is in "do"' })
  @IsObject({ message: 'must be an object' })
  edit: object;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Things that were measured or done, in their order. */
export class BatchEditsDto {
  @ApiProperty({ type: [BatchEditDto] })
  @Many(() => BatchEditDto, MOST_EDITS, 'edits')
  @must('must hold at least one', (found) => !Array.isArray(found) || found.length > 0, {})
  edits: BatchEditDto[];
}

/** An edit that was not taken, and why. */
export class RefusedEditDto {
  @ApiProperty() id: string;
  @ApiProperty() because: string;
}

/** A batch after edits: what came of each. */
export class EditedBatchDto extends SavedBatchDto {
  @ApiProperty({ type: [RefusedEditDto], description: 'Edits that cannot be; all others are kept' }) refused: RefusedEditDto[];
}

/** The yield of a part, beside those of the batches before. */
export class LoggedYieldDto {
  @ApiProperty() part: string;
  @ApiProperty() name: string;
  @ApiProperty({ type: Number, nullable: true, description: 'Grams that came out' }) net: number | null;
  @ApiProperty({ type: Number, nullable: true }) factor: number | null;
  @ApiProperty({ type: Number, nullable: true }) mean: number | null;
  @ApiProperty({ type: Number, nullable: true }) low: number | null;
  @ApiProperty({ type: Number, nullable: true }) high: number | null;
  @ApiProperty({ description: 'How many batches before' }) batches: number;
}

/** A photo that is kept, and what can be seen on it. */
export class ShownPhotoDto {
  @ApiProperty() id: string;
  @ApiProperty({ required: false }) alt?: string;
}

/** A batch at a glance. */
export class LoggedBatchDto {
  @ApiProperty() id: string;
  @ApiProperty() recipe: string;
  @ApiProperty() title: string;
  @ApiProperty() date: string;
  @ApiProperty() revision: number;
  @ApiProperty() boxes: number;
  @ApiProperty() servingName: string;
  @ApiProperty() cooking: boolean;
  @ApiProperty({ type: String, nullable: true }) variant: string | null;
  @ApiProperty({ type: String, nullable: true }) by: string | null;
  @ApiProperty({ type: String, nullable: true }) note: string | null;
  @ApiProperty({ type: Number, nullable: true }) rating: number | null;
  @ApiProperty({ type: ShownPhotoDto, nullable: true }) photo: ShownPhotoDto | null;
  @ApiProperty() leaveOut: boolean;
  @ApiProperty({ description: 'How many lines were weighed or done otherwise' }) different: number;
  @ApiProperty({ type: Number, nullable: true }) activeMinutes: number | null;
  @ApiProperty({ type: Number, nullable: true }) totalMinutes: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'kcal a serving' }) energyKcal: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Of the whole batch, major units' }) used: number | null;
  @ApiProperty() usedAtLeast: boolean;
  @ApiProperty({ type: String, nullable: true, description: 'Exact, major units' }) paid: string | null;
  @ApiProperty({ type: [LoggedYieldDto] }) yields: LoggedYieldDto[];
  @ApiProperty({ description: 'A yield is outside its limits, or boxes hold more than there was' }) unusual: boolean;
  @ApiProperty({ type: String, nullable: true, description: 'Why it cannot be added up' }) uncomputed: string | null;
}
