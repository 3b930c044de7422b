import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common';
import { KitchensService } from '../kitchens/kitchens.service.js';
import type { ScopedRequest } from './inScope.js';

/** Says of each request in which kitchen it is made, and by whom, before anything is done for it. */
@Injectable()
export class ScopeGuard implements CanActivate {
  constructor(private readonly kitchens: KitchensService) {}

  canActivate(context: ExecutionContext): boolean {
    context.switchToHttp().getRequest<ScopedRequest>().scope = this.kitchens.ofOwner();
    return true;
  }
}
