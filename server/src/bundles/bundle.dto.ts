import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { BOOKLET_FORMATS, OneOf, Optional, Text, type BookletFormat } from '@portiona/core';
import { BUNDLED, BUNDLE_KINDS, BUNDLE_STATES, type Bundled, type BundleKind, type BundleState } from './bundle.entity.js';

/** What is to be bound. */
export class BundleOrderDto {
  @ApiProperty({ enum: BUNDLE_KINDS, description: 'A booklet is a PDF; an archive a zip of every format' })
  @OneOf(BUNDLE_KINDS)
  kind: BundleKind;
  @ApiPropertyOptional({ description: 'Left out: the cards of every series, and of none' }) @Optional() @Text(120, true) series?: string;
  @ApiPropertyOptional({ enum: BOOKLET_FORMATS, description: 'Of a booklet; A5 where it is left out' })
  @Optional()
  @OneOf(BOOKLET_FORMATS)
  format?: BookletFormat;
  @ApiPropertyOptional({ enum: BUNDLED, description: 'Newest issues, where it is left out; or cards as they stand' })
  @Optional()
  @OneOf(BUNDLED)
  of?: Bundled;
}

/** A dish that is not in it, and why. */
export class LeftOutDto {
  @ApiProperty() recipe: string;
  @ApiProperty() title: string;
  @ApiProperty() because: string;
}

/** Cards bound together, and how far that is. */
export class BundleDto {
  @ApiProperty() id: string;
  @ApiProperty({ enum: BUNDLE_KINDS }) kind: BundleKind;
  @ApiProperty({ type: String, nullable: true }) series: string | null;
  @ApiProperty({ enum: BOOKLET_FORMATS }) format: BookletFormat;
  @ApiProperty({ enum: BUNDLED }) of: Bundled;
  @ApiProperty({ enum: BUNDLE_STATES }) state: BundleState;
  @ApiProperty({ description: 'Steps done' }) done: number;
  @ApiProperty({ description: 'Steps in all: one a card, and one to bind them' }) total: number;
  @ApiProperty({ type: [LeftOutDto], description: 'Dishes that are not in it' }) leftOut: readonly LeftOutDto[];
  @ApiProperty({ type: String, nullable: true, description: 'Why it failed' }) message: string | null;
  @ApiProperty({ type: Number, nullable: true, description: 'Of the file, once it is made' }) bytes: number | null;
  @ApiProperty({ description: 'ISO time' }) madeAt: string;
}
