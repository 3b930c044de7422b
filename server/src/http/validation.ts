import { Injectable, ValidationPipe, type ArgumentMetadata, type PipeTransform, type ValidationError as KeyFault } from '@nestjs/common';
import type { Fault } from '@portiona/core';
import { ValidationError } from './problems.js';
import { readSent } from './readBody.js';

/** Reads bodies by their classes, as a kitchen file is read: nothing unknown passes, and nothing is copied to be looked at. */
@Injectable()
export class BodyPipe implements PipeTransform {
  transform(found: unknown, { type, metatype }: ArgumentMetadata): unknown {
    // What is typed as an object only is read by whoever takes it.
    return type === 'body' && metatype !== undefined && metatype !== Object ? readSent(metatype as new () => object, found) : found;
  }
}

/** Reads the words of an address by their classes: what they say is text, and becomes what it stands for. */
export class QueryPipe extends ValidationPipe {
  constructor() {
    super({
      whitelist: true,
      forbidNonWhitelisted: true,
      transform: true,
      exceptionFactory: (errors) => new ValidationError(errors.flatMap(faultsOf)),
    });
  }

  override async transform(found: unknown, metadata: ArgumentMetadata): Promise<unknown> {
    return metadata.type === 'query' ? ((await super.transform(found, metadata)) as unknown) : found;
  }
}

function faultsOf({ property, constraints }: KeyFault): Fault[] {
  return Object.entries(constraints ?? {})
    .slice(0, 1)
    .map(([rule, message]) => ({ path: property, message: rule === 'whitelistValidation' ? `unknown key "${property}"` : message }));
}
