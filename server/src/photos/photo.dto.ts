import { ApiProperty } from '@nestjs/swagger';

/** A picture that is kept. */
export class PhotoDto {
  @ApiProperty({ description: 'What it is asked for by' }) id: string;
  @ApiProperty({ description: 'Pixels' }) width: number;
  @ApiProperty({ description: 'Pixels' }) height: number;
}
