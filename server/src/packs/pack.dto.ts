import { ApiProperty } from '@nestjs/swagger';
import { SavedPackDto } from '../http/saved.dto.js';

/** How far a pack's latest price lies from the first one seen. */
export class PriceMoveDto {
  @ApiProperty() food: string;
  @ApiProperty() name: string;
  @ApiProperty() shop: string;
  @ApiProperty() net: number;
  @ApiProperty() unit: string;
  @ApiProperty() currency: string;
  @ApiProperty({ description: 'Major units, exact' }) first: string;
  @ApiProperty({ description: 'ISO date' }) firstSeen: string;
  @ApiProperty({ description: 'Major units, exact' }) latest: string;
  @ApiProperty({ description: 'ISO date' }) latestSeen: string;
  @ApiProperty({ description: 'Whether the latest is an offer' }) promotion: boolean;
  @ApiProperty({ description: 'Share of the first: 0.25 is a quarter dearer' }) change: number;
}

/** A price that was seen, whether it counts still or was put away. */
export class SeenPackDto extends SavedPackDto {
  @ApiProperty({ type: String, nullable: true, description: 'ISO time; null: it was not put away' }) putAwayAt: string | null;
}
