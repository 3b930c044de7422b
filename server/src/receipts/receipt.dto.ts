import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { ArrayMaxSize, ArrayMinSize, IsObject, IsOptional, IsString, MaxLength, ValidateNested } from 'class-validator';

/** A receipt or price list as rows of cells. */
export class ReceiptRowsDto {
  @ApiProperty() fileName: string;
  @ApiProperty({ type: 'array', items: { type: 'array', items: { type: 'string' } } }) rows: readonly (readonly string[])[];
}

/** What a shop's words were last taken for. */
export class ReceiptNameDto {
  @ApiProperty() words: string;
  @ApiProperty() food: string;
}

/** A price seen, and what the shop calls it. */
export class SeenPriceDto {
  @ApiProperty({ type: Object, description: 'A pack, as in the kitchen file' }) @IsObject() document: object;
  @ApiPropertyOptional({ description: 'As the shop prints it: remembered for the next receipt' })
  @IsOptional()
  @IsString()
  @MaxLength(400)
  item?: string;
}

export class SeenPricesDto {
  @ApiProperty({ type: [SeenPriceDto] })
  @ArrayMinSize(1)
  @ArrayMaxSize(5000)
  @ValidateNested({ each: true })
  @Type(() => SeenPriceDto)
  prices: SeenPriceDto[];
}

export class AddedPricesDto {
  @ApiProperty() added: number;
  @ApiProperty({ description: 'Seen before just so: not added again' }) there: number;
}
