import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { IsBoolean, IsIn, IsInt, IsOptional, Max, Min } from 'class-validator';
import { FIGURE_KEYS, type FigureKey } from '@portiona/core';

/** Most draws of one run: seconds of work, and a few megabytes. */
const MOST_DRAWS = 1_000_000;

/** What to draw. The same seed draws the same. */
export class DrawDto {
  @ApiProperty({ enum: FIGURE_KEYS })
  @IsIn(FIGURE_KEYS, { message: `must be one of: ${FIGURE_KEYS.join(', ')}` })
  figure: FigureKey;

  @ApiPropertyOptional({ default: 20_000 })
  @IsOptional()
  @IsInt({ message: 'must be a whole number of draws' })
  @Min(1, { message: 'must be 1 or more' })
  @Max(MOST_DRAWS, { message: `must be ${MOST_DRAWS} at most` })
  draws?: number;

  @ApiPropertyOptional({ default: 1 })
  @IsOptional()
  @IsInt({ message: 'must be a whole number' })
  seed?: number;

  @ApiPropertyOptional({ description: 'Optional lines and parts are taken or left, each every second time' })
  @IsOptional()
  @IsBoolean({ message: 'must be true or false' })
  choices?: boolean;
}

export class HistogramBarDto {
  @ApiProperty() from: number;
  @ApiProperty() to: number;
  @ApiProperty({ description: 'Of all draws, 0 to 1' }) share: number;
}

/** How a figure of a serving spreads, in the figure's unit. */
export class DistributionDto {
  @ApiProperty() mean: number;
  @ApiProperty() standardDeviation: number;
  @ApiProperty({ type: [Number], description: '2.5 %, 25 %, 50 %, 75 % and 97.5 %' }) quantiles: number[];
  @ApiProperty({ type: [HistogramBarDto] }) histogram: HistogramBarDto[];
}

/** A run of draws: how far it is, and what came of it. */
export class DrawingDto {
  @ApiProperty() id: string;
  @ApiProperty({ enum: ['running', 'done', 'failed'] }) state: 'running' | 'done' | 'failed';
  @ApiProperty() made: number;
  @ApiProperty() draws: number;
  @ApiPropertyOptional({ type: DistributionDto }) distribution?: DistributionDto;
  @ApiPropertyOptional({ description: 'Why it failed' }) message?: string;
}
