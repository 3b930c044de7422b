import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Optional, Text } from '@portiona/core';

/** Somebody who is at a recipe just now. */
export class PresentDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiProperty() recipe: string;
}

export class SayingPresenceDto {
  @ApiProperty({ description: 'The page, by a number it gave itself' }) @Text(40, true) tab: string;
  @ApiPropertyOptional({ description: 'Left out: at none any more' }) @Optional() @Text(120, true) recipe?: string;
}
