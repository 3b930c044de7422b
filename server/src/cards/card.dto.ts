import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { CAUSE_KINDS, Optional, Text, type CauseKind } from '@portiona/core';

/** Something on a published card that would read otherwise today. */
export class CardDriftDto {
  @ApiProperty() name: string;
  @ApiProperty({ description: 'As published; empty: it was not there' }) was: string;
  @ApiProperty({ description: 'As it would be printed now; empty: it would not be there' }) is: string;
  @ApiProperty({ type: Number, nullable: true, description: 'How far a figure moved, over what was printed; null for what is none' })
  share: number | null;
}

/** One thing that changed under a published card. */
export class DriftCauseDto {
  @ApiProperty({ enum: CAUSE_KINDS }) kind: CauseKind;
  @ApiProperty({ description: 'Id of the food, or of the recipe taken; empty where it is neither' }) of: string;
  @ApiProperty({ description: 'As a sentence has it' }) text: string;
  @ApiProperty({ description: 'What changed in it; empty where what moved says it' }) change: string;
  @ApiProperty({ type: [CardDriftDto], description: 'What reads otherwise because of it' }) moved: readonly CardDriftDto[];
}

/** How a published card stands to what would be printed now. */
export class CardStandingDto {
  @ApiProperty({ type: [CardDriftDto], description: 'Empty: it holds, where it can be computed' }) drift: readonly CardDriftDto[];
  @ApiProperty({ type: [CardDriftDto], description: 'What moved no further than the kitchen tolerates' }) within: readonly CardDriftDto[];
  @ApiProperty({ type: [DriftCauseDto], description: 'Why it moved, in the order it was made out; empty where nobody can say' })
  causes: readonly DriftCauseDto[];
  @ApiProperty({ type: [String], description: 'Promises and claims that the dish no longer keeps' }) broke: readonly string[];
  @ApiProperty({ type: String, nullable: true, description: 'ISO time at which it was seen to have moved' }) since: string | null;
  @ApiProperty({ type: String, nullable: true, description: 'Why nobody can tell whether it holds; null where one can' }) uncomputed:
    | string
    | null;
}

/** A figure as a published card prints it. */
export class CardPrintedDto {
  @ApiProperty() name: string;
  @ApiProperty({ description: 'Number with "at least" where it belongs' }) text: string;
  @ApiProperty() unit: string;
}

/** The newest published card of a recipe, and whether it still holds. */
export class PublishedCardDto extends CardStandingDto {
  @ApiProperty() recipe: string;
  @ApiProperty({ description: 'As published' }) title: string;
  @ApiProperty({ description: 'Series and number, as published; empty: none' }) series: string;
  @ApiProperty({ type: [CardPrintedDto], description: 'Energy, protein and cost of a serving as published, those that it has' })
  printed: readonly CardPrintedDto[];
  @ApiProperty({ description: '1 for the first' }) issue: number;
  @ApiProperty({ description: 'ISO time' }) publishedAt: string;
  @ApiProperty({ type: String, nullable: true, description: 'Why it was taken back; null: it was not' }) takenBack: string | null;
}

/** What is said when a card is published. */
export class PublishingDto {
  @ApiPropertyOptional({ description: 'What it puts right of the issue before, for readers who hold that; printed on it' })
  @Optional()
  @Text(600)
  correction?: string;
}

/** Why an issue is taken back. */
export class TakingBackDto {
  @ApiProperty() @Text(500, true) because: string;
}

/** One issue of a recipe's card. */
export class CardIssueDto {
  @ApiProperty() issue: number;
  @ApiProperty({ description: 'ISO time' }) publishedAt: string;
  @ApiProperty({ type: [CardPrintedDto], description: 'Energy, protein and cost of a serving, those that it has' })
  printed: readonly CardPrintedDto[];
  @ApiProperty({ type: [CardDriftDto], description: 'What reads otherwise than in the issue before it' }) changed: readonly CardDriftDto[];
  @ApiProperty({ description: 'What it puts right, as it is printed; empty: nothing' }) correction: string;
  @ApiProperty({ type: String, nullable: true, description: 'Why it was taken back; null: it was not' }) takenBack: string | null;
}
