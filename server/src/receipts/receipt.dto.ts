import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Many, Optional, Text } from '@portiona/core';
import { ArrayMinSize, IsObject } from 'class-validator';
import { FromKitchenFile } from '../http/kitchenFileSchemas.js';

/** Prices that one receipt or list brings at most. */
const MOST_PRICES = 5000;

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
  @FromKitchenFile('Pack', 'A pack, as in the kitchen file')
  @IsObject({ message: 'must be an object as in the kitchen file' })
  document: object;
  @ApiPropertyOptional({ description: 'As the shop prints it: remembered for the next receipt' })
  @Optional()
  @Text(400)
  item?: string;
}

export class SeenPricesDto {
  @ApiProperty({ type: [SeenPriceDto] })
  @Many(() => SeenPriceDto, MOST_PRICES, 'prices')
  @ArrayMinSize(1, { message: 'must hold at least one price' })
  prices: SeenPriceDto[];
}

export class AddedPricesDto {
  @ApiProperty() added: number;
  @ApiProperty({ description: 'Seen before just so: not added again' }) there: number;
}
