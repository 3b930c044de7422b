import { applyDecorators, SetMetadata } from '@nestjs/common';
import { ApiExtension, ApiResponse } from '@nestjs/swagger';
import type { Right } from './rights.js';

/** Who may ask a route: anybody; whoever is signed in; who looks after the installation; who has all of these rights in its kitchen. */
export type Rule = 'anyone' | 'account' | 'keeper' | readonly Right[];

/** Where a route's rule is kept, and what it is called in the OpenAPI document. */
export const RULE = 'portiona:rule';
export const RULE_EXTENSION = 'x-needs';

const ruled = (rule: Rule, ...more: MethodDecorator[]) =>
  applyDecorators(SetMetadata(RULE, rule), ApiExtension(RULE_EXTENSION, rule), ...more);

const SIGNED_OUT = ApiResponse({ status: 401, description: 'Nobody is signed in' });

/** What is needed in the kitchen that the address names: all of these. */
export const Needs = (...rights: readonly [Right, ...Right[]]) =>
  ruled(rights, SIGNED_OUT, ApiResponse({ status: 403, description: `Needs the right to ${rights.join(', ')}` }));

/** Asked by anybody, signed in or not. */
export const Anyone = () => ruled('anyone');

/** Asked by whoever is signed in, in no kitchen. */
export const SignedIn = () => ruled('account', SIGNED_OUT);

/** Asked by who looks after the installation. */
export const Keeper = () => ruled('keeper', SIGNED_OUT, ApiResponse({ status: 403, description: 'Needs the keeper' }));
