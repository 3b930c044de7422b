import { ApiProperty } from '@nestjs/swagger';

/** A recipe or a food that was put away. */
export class PutAwayItemDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiProperty({ description: 'ISO time' }) putAwayAt: string;
}

/** Everything that was put away, what was put away last first. */
export class PutAwayDto {
  @ApiProperty({ type: [PutAwayItemDto] }) recipes: PutAwayItemDto[];
  @ApiProperty({ type: [PutAwayItemDto] }) foods: PutAwayItemDto[];
}
