import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger';
import { Optional, Text } from '@portiona/core';
import { Email, PersonName } from './accountText.js';
import { RIGHTS, ROLES, type Right, type Role } from '../scope/rights.js';

/** A kitchen that somebody is a member of. */
export class OwnKitchenDto {
  @ApiProperty({ description: 'What stands in its address' }) key: string;
  @ApiProperty() name: string;
  @ApiProperty({ enum: ROLES }) role: Role;
  @ApiProperty({ enum: RIGHTS, isArray: true, description: 'What they may do there' }) rights: Right[];
  @ApiProperty({ description: 'Members, they too' }) members: number;
  @ApiPropertyOptional({ description: 'When it was deleted: it can be taken back until it is gone for good' }) deletedAt?: string;
  @ApiPropertyOptional({ description: 'Until when it can be taken back' }) goneAt?: string;
}

/** Who is signed in, and what they may open. */
export class MeDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiPropertyOptional() email?: string;
  @ApiProperty({ description: 'Whether they look after this installation' }) keeper: boolean;
  @ApiProperty({ description: 'Whether they have a password' }) hasPassword: boolean;
  @ApiProperty({ description: 'How many passkeys they have' }) passkeys: number;
  @ApiProperty({ description: 'Whether they have to set up how they sign in before anything else: the server is reached from elsewhere' })
  mustSetUp: boolean;
  @ApiProperty({ description: 'Said with whatever changes something (X-Portiona-Page)' }) pageToken: string;
  @ApiProperty({ type: [OwnKitchenDto] }) kitchens: OwnKitchenDto[];
}

/** A place that somebody is signed in at. */
export class OwnSessionDto {
  @ApiProperty() id: string;
  @ApiProperty({ description: 'Whether it is this one' }) here: boolean;
  @ApiProperty({ enum: ['link', 'password', 'passkey', 'reset', 'invitation'] }) way: string;
  @ApiProperty({ description: 'Where it was begun from' }) address: string;
  @ApiProperty({ description: 'Browser and system, as it calls itself' }) agent: string;
  @ApiProperty() createdAt: string;
  @ApiProperty() seenAt: string;
  @ApiProperty() expiresAt: string;
}

/** A link that lets somebody in once. */
export class EnteringDto {
  @ApiProperty() @Text(200, true) link: string;
}

/** Address and password. */
export class SigningInDto {
  @ApiProperty() @Text(254, true) email: string;
  @ApiProperty() @Text(200, true) password: string;
}

/** An address that a link to a new password is to be sent to. */
export class AskingResetDto {
  @ApiProperty() @Text(254, true) email: string;
}

/** A new password, by the link that was sent. */
export class ResettingDto {
  @ApiProperty() @Text(200, true) link: string;
  @ApiProperty() @Text(200, true) password: string;
}

/** What somebody is called, and by which address they sign in. */
export class ChangingMeDto {
  @ApiProperty() @PersonName() name: string;
  @ApiPropertyOptional({ description: 'Left out: as it is' }) @Optional() @Email() email?: string;
  @ApiPropertyOptional({ description: 'The password that holds, where there is one and the address is another' })
  @Optional()
  @Text(200, true)
  password?: string;
}

/** A new password, with the one that held till now where there is one. */
export class ChangingPasswordDto {
  @ApiPropertyOptional() @Optional() @Text(200, true) before?: string;
  @ApiProperty() @Text(200, true) password: string;
}

/** Said to end one's account: whoever finds a browser open knows neither, or is at least asked. */
export class EndingAccountDto {
  @ApiProperty({ description: 'The name of the account, as it is' }) @Text(80, true) name: string;
  @ApiPropertyOptional({ description: 'The password that holds, where there is one' }) @Optional() @Text(200, true) password?: string;
}

/** A passkey of an account. */
export class PasskeyDto {
  @ApiProperty() id: string;
  @ApiProperty() name: string;
  @ApiProperty() createdAt: string;
  @ApiPropertyOptional({ description: 'When it was used last' }) usedAt?: string;
}

/** What a browser is asked about a passkey (W3C Web Authentication, as JSON). */
export class PasskeyOptionsDto {
  @ApiProperty({ type: 'object', additionalProperties: true }) options: Record<string, unknown>;
}

/** What an invitation says, for whoever opens its link. */
export class InvitationLookDto {
  @ApiProperty({ description: 'The kitchen’s name' }) kitchen: string;
  @ApiProperty({ enum: ROLES }) role: Role;
  @ApiProperty({ description: 'Whether costs are shown' }) costs: boolean;
  @ApiProperty({ description: 'Who invites' }) by: string;
  @ApiPropertyOptional({ description: 'The address it was sent to' }) email?: string;
  @ApiProperty({ description: 'Whether somebody is signed in, who joins then' }) signedIn: boolean;
}

/** An invitation taken: by whoever is signed in, or with a new account. */
export class JoiningDto {
  @ApiProperty() @Text(200, true) link: string;
  @ApiPropertyOptional({ description: 'Of a new account' }) @Optional() @PersonName() name?: string;
  @ApiPropertyOptional({ description: 'Of a new account' }) @Optional() @Email() email?: string;
  @ApiPropertyOptional({ description: 'Of a new account' }) @Optional() @Text(200, true) password?: string;
}

/** A new kitchen. */
export class NewKitchenDto {
  @ApiProperty() @PersonName() name: string;
}
