import { ApiProperty } from '@nestjs/swagger';

export class RefreshItemDto {
  @ApiProperty() food: string;
  @ApiProperty() name: string;
  @ApiProperty() shop: string;
  @ApiProperty() net: number;
  @ApiProperty() unit: string;
  @ApiProperty({ description: 'ISO 4217' }) currency: string;
  @ApiProperty({ description: 'Major units, exact' }) before: string;
  @ApiProperty({ enum: ['waiting', 'same', 'changed', 'unlisted', 'failed'] })
  state: 'waiting' | 'same' | 'changed' | 'unlisted' | 'failed';
  @ApiProperty({ type: String, nullable: true }) price: string | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Over the price before, less 1' }) change: number | null;
  @ApiProperty() promotion: boolean;
  @ApiProperty({ type: String, nullable: true, description: 'Why nothing was answered' }) message: string | null;
}

/** An asking of the shops, and how far it is. */
export class RefreshDto {
  @ApiProperty() id: string;
  @ApiProperty({ description: 'ISO day the prices are of' }) day: string;
  @ApiProperty({ enum: ['running', 'done', 'cancelled'] }) state: 'running' | 'done' | 'cancelled';
  @ApiProperty({ description: 'ISO time' }) madeAt: string;
  @ApiProperty({ description: 'Packs asked for' }) asked: number;
  @ApiProperty({ description: 'Packs that were answered, or given up' }) answered: number;
  @ApiProperty({ type: [RefreshItemDto] }) items: readonly RefreshItemDto[];
}

/** The last asking, if there was one. */
export class LatestRefreshDto {
  @ApiProperty({ type: RefreshDto, nullable: true }) refresh: RefreshDto | null;
}
