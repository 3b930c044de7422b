import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { UnreadableError } from './problems.js';

/** Validates request DTOs: nothing unknown passes, and faults read like a kitchen file's. */
export function validationPipe(): ValidationPipe {
  return new ValidationPipe({
    whitelist: true,
    forbidNonWhitelisted: true,
    transform: true,
    exceptionFactory: (errors) => new UnreadableError(errors.map(faultOf)),
  });
}

function faultOf(error: ValidationError) {
  const [rule, message] = Object.entries(error.constraints ?? {})[0] ?? ['', 'cannot be read'];
  return { path: error.property, message: rule === 'whitelistValidation' ? `unknown key "${error.property}"` : message };
}
