import { ApiProperty } from '@nestjs/swagger';

/** What an import wrote. */
export class ImportedDto {
  @ApiProperty() foods: number;
  @ApiProperty() packs: number;
  @ApiProperty() recipes: number;
  @ApiProperty() batches: number;
  @ApiProperty() sessions: number;
  @ApiProperty({ description: 'Things put into stock' }) stock: number;
  @ApiProperty({ description: 'Who eats from the boxes' }) people: number;
  @ApiProperty() weeks: number;
}
