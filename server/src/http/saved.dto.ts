import { ApiProperty } from '@nestjs/swagger';
import { IsInt, IsObject, Max, Min } from 'class-validator';

/** The greatest revision the database counts to. */
const MOST_REVISIONS = 2 ** 31 - 2;

/** A document with the revision it stands at. */
export class SavedDto {
  @ApiProperty() id: string;
  @ApiProperty() revision: number;
  @ApiProperty({ description: 'ISO time' }) savedAt: string;
  @ApiProperty({ type: 'object', additionalProperties: true, description: 'As in the kitchen file' }) document: object;
}

/** A new document. */
export class NewDto {
  @ApiProperty({ type: 'object', additionalProperties: true, description: 'As in the kitchen file' })
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
