import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Optional, Text } from '@portiona/core';

/** A label that came out of the simulated printer. */
export class PrintedLabelDto {
  @ApiProperty() number: number;
  @ApiProperty({ description: 'ISO time' }) at: string;
  @ApiProperty() width: number;
  @ApiProperty() height: number;
  @ApiProperty() dotsPerInch: number;
  @ApiProperty({ description: 'Its rows, eight dots a byte, as base64' }) rows: string;
}

/** The label printer as it stands. */
export class LabelPrinterDto {
  @ApiProperty() name: string;
  @ApiProperty() dotsPerInch: number;
  @ApiProperty({ description: 'Widest label, millimetres' }) widest: number;
  @ApiPropertyOptional({ description: 'Why it does not print' }) trouble?: string;
  @ApiProperty({ type: [PrintedLabelDto], description: 'What came out, newest first' }) out: PrintedLabelDto[];
}

/** What is wrong with the simulated printer, to try what is said then. */
export class PrinterTroubleDto {
  @ApiPropertyOptional({ description: 'Left out: it prints' }) @Optional() @Text(120, true) trouble?: string;
}
