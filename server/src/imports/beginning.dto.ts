import { ApiProperty } from '@nestjs/swagger';
import { Currency, Flag, MEASURING_SYSTEMS, OneOf, RULE_SETS, Text, type MeasuringSystem, type RuleSet } from '@portiona/core';

/** What a new kitchen is asked, and what it begins with. */
export class BeginningDto {
  @ApiProperty() @Text(200, true) name: string;
  @ApiProperty({ description: 'ISO 4217' }) @Currency() currency: string;
  @ApiProperty({ enum: MEASURING_SYSTEMS }) @OneOf(MEASURING_SYSTEMS) measures: MeasuringSystem;
  @ApiProperty({ enum: RULE_SETS }) @OneOf(RULE_SETS) rules: RuleSet;
  @ApiProperty({ description: 'Begin with the generic foods' }) @Flag() starterPantry: boolean;
  @ApiProperty({ description: 'Begin with a dish to look at and change; the foods it needs come with it' }) @Flag() exampleDish: boolean;
}
