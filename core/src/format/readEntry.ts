import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { getMetadataStorage, validateSync, type ValidationError } from 'class-validator';
import { didYouMean, type Fault } from './fault.js';

/** Something read from outside: itself, or every fault in it. */
export type Read<T> = { readonly ok: true; readonly entry: T } | { readonly ok: false; readonly faults: readonly Fault[] };

/** Deeper than anything a kitchen file holds. */
const DEEPEST = 12;
/** Faults told at once; more would bury the first. */
const MOST_FAULTS = 50;

/**
 * Reads one object from outside by its class: every key known, every number in bounds.
 *
 * @param type class with the rules
 * @param found parsed JSON, trusted in nothing
 * @param path of the object, put before each fault's
 */
export function readEntry<T extends object>(type: new () => T, found: unknown, path = ''): Read<T> {
  const shape = shapeFault(found, path);
  if (shape) return { ok: false, faults: [shape] };
  const entry = plainToInstance(type, found);
  const errors = validateSync(entry, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true, stopAtFirstError: true });
  if (errors.length === 0) return { ok: true, entry };
  return { ok: false, faults: errors.flatMap((error) => faultsOf(error, path)).slice(0, MOST_FAULTS) };
}

/** Faults no class could tell safely: not an object, nested too deep, keys that reach into the runtime. */
function shapeFault(found: unknown, path: string): Fault | undefined {
  if (typeof found !== 'object' || found === null || Array.isArray(found)) return { path, message: 'must be an object' };
  const waiting: { readonly at: string; readonly node: object; readonly depth: number }[] = [{ at: path, node: found, depth: 0 }];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (next.depth > DEEPEST) return { path: next.at, message: 'is nested too deep to be a kitchen file' };
    const { at, node, depth } = next;
    for (const [key, child] of Object.entries(node)) {
      const childPath = Array.isArray(node) ? `${at}[${key}]` : joined(at, key);
      if (key === '__proto__' || key === 'constructor' || key === 'prototype')
        return { path: childPath, message: `unknown key "${key}"; take it out` };
      if (typeof child === 'object' && child !== null) waiting.push({ at: childPath, node: child as object, depth: depth + 1 });
    }
  }
  return undefined;
}

function faultsOf(error: ValidationError, parent: string): Fault[] {
  const path = /^\d+$/.test(error.property) ? `${parent}[${error.property}]` : joined(parent, error.property);
  const children = (error.children ?? []).flatMap((child) => faultsOf(child, path));
  if (children.length > 0) return children;
  const [rule, message] = Object.entries(error.constraints ?? {})[0] ?? ['', 'cannot be read'];
  if (rule === 'whitelistValidation')
    return [{ path, message: `unknown key "${error.property}"${didYouMean(error.property, keysOf(error.target))}` }];
  if (rule === 'unknownValue') return [{ path, message: 'must be an object' }];
  return [{ path, message: error.value === undefined ? `is missing; it ${message}` : `${message}${found(error.value, message)}` }];
}

/** What stands there instead, when short, with the nearest word allowed. */
function found(value: unknown, message: string): string {
  if (typeof value === 'number' || typeof value === 'boolean' || value === null) return `, not ${String(value)}`;
  if (typeof value !== 'string' || value.length > 60) return '';
  const words = /^must be one of: (.*)$/.exec(message)?.[1]?.split(', ') ?? [];
  return `, not "${value}"${didYouMean(value, words)}`;
}

function keysOf(target: object | undefined): string[] {
  if (!target) return [];
  const rules = getMetadataStorage().getTargetValidationMetadatas(target.constructor, '', false, false);
  return [...new Set(rules.map(({ propertyName }) => propertyName))];
}

function joined(parent: string, key: string): string {
  return parent === '' ? key : `${parent}.${key}`;
}
