import { ApiProperty } from '@nestjs/swagger';
import { FINDING_CODES, type Finding, type FindingCode } from '@portiona/core';

/** Something that Check found. */
export class FindingDto implements Pick<Finding, 'code' | 'at' | 'severity' | 'message'> {
  @ApiProperty({ enum: FINDING_CODES, enumName: 'FindingCode' }) code: FindingCode;
  @ApiProperty({ description: '"part/line", a part\'s id, "food:id", "step/3", "title", "lead", "storage" or "serving"' }) at: string;
  @ApiProperty({ enum: ['wrong', 'look'] }) severity: Finding['severity'];
  @ApiProperty({ description: 'What is wrong and how to mend it' }) message: string;
}

/** What Check finds in one recipe. */
export class RecipeFindingsDto {
  @ApiProperty() recipe: string;
  @ApiProperty() title: string;
  @ApiProperty({ type: [FindingDto], description: 'Open: what is wrong first' }) open: readonly FindingDto[];
  @ApiProperty({ description: 'How many were left with a reason' }) left: number;
  @ApiProperty({ type: String, nullable: true, description: 'Why it cannot be checked; null where it can' }) uncomputed: string | null;
}
