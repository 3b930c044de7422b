import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { AdmissionService, type Admitted } from '../accounts/admission.service.js';
import { Database } from '../database/database.js';
import { isSafe } from '../http/guard.js';
import { isReachedFromElsewhere } from '../http/listening.js';
import { ForbiddenError, NoKitchenError, OtherPageError, SignedOutError } from '../http/problems.js';
import type { ScopedRequest } from './inScope.js';
import { RULE, type Rule } from './needs.js';
import { roleFor, type Right } from './rights.js';

/** Says of each request who makes it, in which kitchen and what they may do there, before anything is done for it. */
@Injectable()
export class ScopeGuard implements CanActivate {
  constructor(
    private readonly admission: AdmissionService,
    private readonly database: Database,
    private readonly reflector: Reflector,
  ) {}

  /** @throws SignedOutError, OtherPageError, ForbiddenError, NoKitchenError */
  async canActivate(context: ExecutionContext): Promise<boolean> {
    const rule = this.reflector.get<Rule | undefined>(RULE, context.getHandler());
    // What nobody has a rule for, nobody may ask.
    if (rule === undefined) throw new Error(`${context.getClass().name}.${context.getHandler().name} says nobody who may ask it`);
    if (rule === 'anyone') return true;
    const request = context.switchToHttp().getRequest<ScopedRequest>();
    const { kitchen: key } = request.params;
    const admitted = await this.admission.admit(request, typeof key === 'string' ? key : undefined);
    if (!admitted) throw new SignedOutError();
    if (!isSafe(request.method) && !this.admission.isOwnPage(request)) throw new OtherPageError();
    request.signedIn = admitted;
    if (typeof rule === 'string') this.#beThemselves(rule, admitted);
    else this.#beMember(rule, admitted, request, String(key));
    return true;
  }

  #beThemselves(rule: 'account' | 'keeper', { keeper, tokenId }: Admitted): void {
    if (tokenId !== undefined) throw new ForbiddenError('a token is for one kitchen; this has to be asked by a person who is signed in');
    if (rule === 'keeper' && !keeper) throw new ForbiddenError('only who looks after this installation may do this');
  }

  #beMember(rule: readonly Right[], { accountId, kitchen, setUp }: Admitted, request: ScopedRequest, key: string): void {
    if (!setUp && isReachedFromElsewhere())
      throw new ForbiddenError('this server is reached from elsewhere: choose a password or make a passkey first, at /account');
    if (!kitchen) throw new NoKitchenError(key);
    const missing = rule.filter((right) => !kitchen.rights.includes(right));
    if (missing.length > 0)
      throw new ForbiddenError(
        missing.every((right) => right === 'costs')
          ? 'costs of this kitchen are not shown to you; an owner can let you see them'
          : `this needs the right to ${missing.join(' and ')} in this kitchen, which ${article(roleFor(rule))} has; ask an owner`,
      );
    request.scope = { kitchenId: kitchen.id, person: accountId, rights: kitchen.rights };
    this.database.enter(kitchen.id);
  }
}

function article(role: string): string {
  return /^[aeiou]/.test(role) ? `an ${role}` : `a ${role}`;
}
