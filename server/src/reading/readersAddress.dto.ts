import { ApiProperty } from '@nestjs/swagger';
import { Flag, Text } from '@portiona/core';

/** The address at which anybody reads a kitchen's published cards. */
export class ReadersAddressDto {
  @ApiProperty({ description: 'Whether anybody may read; off until it is switched on' }) on: boolean;
  @ApiProperty({ description: 'What stands in the address: small letters, numbers and hyphens' }) name: string;
  @ApiProperty({ description: 'The whole address, as this server is reached now' }) url: string;
  @ApiProperty({ description: 'Cards that are found there, or would be' }) cards: number;
  @ApiProperty({ description: 'Published, and not found there: taken back' }) takenBack: number;
}

/** What is said of it. */
export class ReadersAddressChangeDto {
  @ApiProperty() @Flag() on: boolean;
  @ApiProperty() @Text(60, true) name: string;
}
