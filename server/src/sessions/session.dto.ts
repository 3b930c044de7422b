import { ApiProperty } from '@nestjs/swagger';
import type { Recipe, Session } from '@portiona/core';
import { FromKitchenFile, ListFromKitchenFile } from '../http/kitchenFileSchemas.js';
import { NewDto, SavedDto, SaveDto } from '../http/saved.dto.js';

export class NewSessionDto extends NewDto {
  @FromKitchenFile('Session') declare document: Session;
}

export class SaveSessionDto extends SaveDto {
  @FromKitchenFile('Session') declare document: Session;
}

/** A session with the revision it stands at. */
export class SavedSessionDto extends SavedDto {
  @FromKitchenFile('Session') declare document: Session;
}

/** A session to plan, with the recipes it cooks. */
export class OpenSessionDto extends SavedSessionDto {
  @ListFromKitchenFile('Recipe', 'The recipes of its dishes as they stand, put away or not') recipes: Recipe[];
}

/** A session on the calendar. */
export class ListedSessionDto extends SavedSessionDto {
  @ApiProperty({ type: [String], description: 'Titles of its dishes, in order' }) titles: string[];
}
