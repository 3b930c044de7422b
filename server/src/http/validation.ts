import { ValidationPipe, type ValidationError } from '@nestjs/common';
import type { Fault } from '@portiona/core';
import { UnreadableError } from './problems.js';

/** Validates request DTOs: nothing unknown passes, and faults read like a kitchen file's. */
export function validationPipe(): ValidationPipe {
  return new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    exceptionFactory: (errors) => new UnreadableError(errors.flatMap((error) => faultsOf(error))),
  });
}

function faultsOf({ property, constraints, children = [] }: ValidationError, within = ''): Fault[] {
  const path = within === '' ? property : /^\d+$/.test(property) ? `${within}[${property}]` : `${within}.${property}`;
  const own = Object.entries(constraints ?? {}).slice(0, 1);
  return [
    ...own.map(([rule, message]) => ({ path, message: rule === 'whitelistValidation' ? `unknown key "${property}"` : message })),
    ...children.flatMap((child) => faultsOf(child, path)),
  ];
}
