import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { getMetadataStorage, validateSync, type ValidationError } from 'class-validator';
import { didYouMean, type Fault } from './fault.js';
import { isSoundEntry } from './soundness.js';

/** Something read from outside: itself, or every fault in it. */
export type Read<T> = { readonly ok: true; readonly entry: T } | { readonly ok: false; readonly faults: readonly Fault[] };

/** Deeper than anything a kitchen file holds. */
const DEEPEST = 12;
/** Faults told at once; more would bury the first. */
export const MOST_FAULTS = 50;

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
  if (isSoundEntry(type, found as object)) return { ok: true, entry: found as T };
  const entry = plainToInstance(type, found);
  const errors = validateSync(entry, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true, stopAtFirstError: true });
  const faults = errors.flatMap((error) => faultsOf(error, path)).slice(0, MOST_FAULTS);
  return { ok: false, faults: faults.length > 0 ? faults : [{ path, message: 'cannot be read as a kitchen file' }] };
}

/** Faults no class could tell safely: not an object, nested too deep, keys that reach into the runtime. */
function shapeFault(found: unknown, path: string): Fault | undefined {
  if (typeof found !== 'object' || found === null || Array.isArray(found)) return { path, message: 'must be an object' };
  return nodeFault(found, () => path, 0);
}

/** @param path told only when it is needed: most of what is read is sound */
function nodeFault(node: object, path: () => string, depth: number): Fault | undefined {
  if (depth > DEEPEST) return { path: path(), message: 'is nested too deep to be a kitchen file' };
  if (Array.isArray(node)) {
    for (let i = 0; i < node.length; i++) {
      const child: unknown = node[i];
      const fault = typeof child === 'object' && child !== null ? nodeFault(child, () => `${path()}[${i}]`, depth + 1) : undefined;
      if (fault) return fault;
    }
    return undefined;
  }
  for (const key of Object.keys(node)) {
    if (key === '__proto__' || key === 'constructor' || key === 'prototype')
      return { path: joined(path(), key), message: `unknown key "${key}"; take it out` };
    const child = (node as Record<string, unknown>)[key];
    const fault = typeof child === 'object' && child !== null ? nodeFault(child, () => joined(path(), key), depth + 1) : undefined;
    if (fault) return fault;
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
