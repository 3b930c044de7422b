import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Flag, Optional, Text, Texts } from '@portiona/core';

/** Letters of a note. */
const LONGEST = 2000;

/** A note of a member on a recipe, a line of it, a step or a finding. */
export class NoteDto {
  @ApiProperty() id: string;
  @ApiProperty() recipe: string;
  @ApiProperty({ description: 'What it stands at: "recipe", "line/PART/ID", "step/ID" or "finding/CODE PLACE"' }) place: string;
  @ApiProperty({ description: 'What stood there when it was written' }) about: string;
  @ApiProperty() text: string;
  @ApiProperty({ type: [String], description: 'Members who are called by it' }) mentions: string[];
  @ApiProperty({ description: 'Who wrote it' }) by: string;
  @ApiProperty({ description: 'Whether that is who asks' }) own: boolean;
  @ApiProperty() madeAt: string;
  @ApiPropertyOptional() editedAt?: string;
  @ApiPropertyOptional({ description: 'Who said that it is done with' }) doneBy?: string;
  @ApiPropertyOptional() doneAt?: string;
  @ApiProperty({ description: 'Whether it calls who asks, who has not seen it' }) callsYou: boolean;
}

/** A note that calls who asks, with its recipe. */
export class CallingNoteDto extends NoteDto {
  @ApiProperty() title: string;
}

export class NewNoteDto {
  @ApiProperty() @Text(160, true) place: string;
  @ApiProperty() @Text(200) about: string;
  @ApiProperty() @Text(LONGEST, true) text: string;
  @ApiProperty({ type: [String] }) @Texts(40) mentions: string[];
}

export class ChangingNoteDto {
  @ApiPropertyOptional() @Optional() @Text(LONGEST, true) text?: string;
  @ApiPropertyOptional({ type: [String] }) @Optional() @Texts(40) mentions?: string[];
  @ApiPropertyOptional({ description: 'Done with, or again to be done' }) @Optional() @Flag() done?: boolean;
}
