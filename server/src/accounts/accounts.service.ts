import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import { SignedOutError } from '../http/problems.js';
import { isReachedFromElsewhere } from '../http/listening.js';
import { OwnKitchensService } from '../kitchens/ownKitchens.service.js';
import type { MeDto } from './account.dto.js';
import { pageToken } from './secrets.js';

interface AccountRow {
  readonly id: string;
  readonly name: string;
  readonly email: string | null;
  readonly keeper: boolean;
  readonly has_password: boolean;
  readonly passkeys: number;
}

/** People who can sign in. */
@Injectable()
export class AccountsService {
  constructor(
    private readonly database: Database,
    private readonly kitchens: OwnKitchensService,
  ) {}

  /** What somebody is told of themselves. @param secret of the session they are signed in by @throws SignedOutError */
  async me(accountId: string, secret: string): Promise<MeDto> {
    const [row] = await this.database.manager.query<AccountRow[]>(
      `SELECT id, name, email, keeper, password IS NOT NULL AS has_password,
         (SELECT count(*)::int FROM passkeys WHERE account_id = accounts.id) AS passkeys
       FROM accounts WHERE id = $1`,
      [accountId],
    );
    if (!row) throw new SignedOutError();
    const { id, name, email, keeper, has_password: hasPassword, passkeys } = row;
    return {
      ...{ id, name, ...(email === null ? {} : { email }), keeper, hasPassword, passkeys },
      mustSetUp: isReachedFromElsewhere() && !hasPassword && passkeys === 0,
      pageToken: pageToken(secret),
      kitchens: await this.kitchens.of(accountId),
    };
  }
}
