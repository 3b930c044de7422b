import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Flag, must, OneOf, Optional, WholeNumber } from '@portiona/core';
import { Email, PersonName } from '../accounts/accountText.js';
import { RIGHTS, ROLES, type Right, type Role } from '../scope/rights.js';

/** Somebody who is a member of the kitchen. */
export class MemberDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiPropertyOptional({ description: 'Shown to owners alone' }) email?: string;
  @ApiProperty({ enum: ROLES }) role: Role;
  @ApiProperty({ description: 'Whether they see costs' }) costs: boolean;
  @ApiProperty({ description: 'Whether that is who asks' }) you: boolean;
  @ApiProperty() joinedAt: string;
}

export class ChangingMemberDto {
  @ApiProperty({ enum: ROLES }) @OneOf(ROLES) role: Role;
  @ApiProperty({ description: 'Whether a tester or a viewer sees costs; owners and editors do' }) @Flag() costs: boolean;
}

/** Somebody to be invited. */
export class InvitingDto {
  @ApiProperty({ enum: ROLES }) @OneOf(ROLES) role: Role;
  @ApiProperty() @Flag() costs: boolean;
  @ApiPropertyOptional({ description: 'Where it is sent to; left out: the link is handed over by whoever invites' })
  @Optional()
  @Email()
  email?: string;
}

/** An invitation that waits to be taken. */
export class InvitationDto {
  @ApiProperty() id: string;
  @ApiProperty({ enum: ROLES }) role: Role;
  @ApiProperty() costs: boolean;
  @ApiPropertyOptional() email?: string;
  @ApiProperty({ description: 'Who invites' }) by: string;
  @ApiProperty() madeAt: string;
  @ApiProperty() expiresAt: string;
}

/** A new one, with its link: said this once. */
export class NewInvitationDto extends InvitationDto {
  @ApiProperty() link: string;
  @ApiProperty({ description: 'Whether it was sent by mail as well' }) sent: boolean;
}

/** What a token may be let do: never to manage. */
export const TOKEN_RIGHTS = RIGHTS.filter((right) => right !== 'manage');

function RightsOfToken(): PropertyDecorator {
  return must(
    `must be a list of ${TOKEN_RIGHTS.join(', ')}`,
    (found) =>
      Array.isArray(found) &&
      found.length <= TOKEN_RIGHTS.length &&
      found.every((right) => (TOKEN_RIGHTS as readonly unknown[]).includes(right)),
    { type: 'array', items: { enum: TOKEN_RIGHTS } },
  );
}

export class NewTokenDto {
  @ApiProperty() @PersonName() name: string;
  @ApiProperty({ enum: TOKEN_RIGHTS, isArray: true }) @RightsOfToken() rights: Right[];
  @ApiProperty({ description: 'Days until it holds no more' }) @WholeNumber(1, 366) days: number;
}

export class TokenDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiProperty({ description: 'Whose it is' }) of: string;
  @ApiProperty({ description: 'Whether that is who asks' }) own: boolean;
  @ApiProperty({ enum: RIGHTS, isArray: true }) rights: Right[];
  @ApiProperty() createdAt: string;
  @ApiProperty() expiresAt: string;
  @ApiPropertyOptional() usedAt?: string;
}

/** A new one, with what a program says as `Authorization: Bearer`: shown this once. */
export class MadeTokenDto extends TokenDto {
  @ApiProperty() token: string;
}
