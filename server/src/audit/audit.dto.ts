import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { IsInt, IsOptional, Min } from 'class-validator';

class DeedByDto {
  @ApiProperty({ type: String, nullable: true }) id: string | null;
  @ApiPropertyOptional({ description: 'As they were called then' }) name?: string;
}

/** Something that was done. */
export class AuditEntryDto {
  @ApiProperty() seq: number;
  @ApiProperty() at: string;
  @ApiProperty({ description: 'The operation, as this document calls it' }) does: string;
  @ApiProperty({ description: 'What it was done to' }) to: string;
  @ApiPropertyOptional({ description: 'What that was called' }) named?: string;
  @ApiPropertyOptional({ description: 'The revision it was made on' }) revision?: number;
  @ApiProperty({ type: DeedByDto }) by: DeedByDto;
  @ApiProperty({ enum: ['page', 'token'] }) through: 'page' | 'token';
  @ApiProperty({ description: 'The address it was asked from' }) from: string;
  @ApiProperty({ description: 'SHA-256 of the hash before it, a line feed and the entry' }) hash: string;
}

export class AuditPageDto {
  @ApiProperty({ type: [AuditEntryDto] }) entries: AuditEntryDto[];
  @ApiProperty({ description: 'Whether there are older ones' }) more: boolean;
}

export class AuditCheckDto {
  @ApiProperty({ description: 'How many hold' }) entries: number;
  @ApiProperty({ type: Number, nullable: true, description: 'The first that does not: it, or what stood before it, was changed' })
  brokenAt: number | null;
}

export class AuditQuery {
  @ApiPropertyOptional({ description: 'Those before this one' })
  @IsOptional()
  @Type(() => Number)
  @IsInt()
  @Min(1)
  before?: number;
}
