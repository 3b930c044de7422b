import { ApiProperty } from '@nestjs/swagger';
import { SavedDto } from '../http/saved.dto.js';

/** A price that was seen, whether it counts still or was put away. */
export class SeenPackDto extends SavedDto {
  @ApiProperty({ type: String, nullable: true, description: 'ISO time; null: it was not put away' }) putAwayAt: string | null;
}
