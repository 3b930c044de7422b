import { ApiProperty } from '@nestjs/swagger';

/** A food whose composition, or a recipe whose parts were edited since the recipe was agreed to rest on it. */
export class MovedDto {
  @ApiProperty({ enum: ['food', 'recipe'] }) kind: 'food' | 'recipe';
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiProperty({ description: 'When it was edited last, ISO time' }) savedAt: string;
}

/** A serving's figures; null where nobody knows. */
export class UpstreamFiguresDto {
  @ApiProperty({ type: Number, nullable: true }) energyKcal: number | null;
  @ApiProperty({ type: Number, nullable: true }) protein: number | null;
  @ApiProperty({ type: Number, nullable: true }) carbohydrate: number | null;
  @ApiProperty({ type: Number, nullable: true }) fat: number | null;
  @ApiProperty({ type: Number, nullable: true }) fibre: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Milligrams' }) sodium: number | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Major units' }) usedCost: number | null;
}

/** What a recipe rests on: foods and other recipes that have moved under it, and by how much its serving moved with them. */
export class UpstreamChangesDto {
  @ApiProperty({ type: [MovedDto] }) moved: MovedDto[];
  @ApiProperty({ type: UpstreamFiguresDto, description: 'With what it was agreed to rest on' }) before: UpstreamFiguresDto;
  @ApiProperty({ type: UpstreamFiguresDto, description: 'With everything as it stands' }) now: UpstreamFiguresDto;
}
