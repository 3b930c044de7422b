import { getMetadataStorage } from 'class-validator';
import { didYouMean, type Fault } from './fault.js';
import { classOfKey, kindsOfKey } from './schemaNotes.js';

/** One rule of a key: whether what stands there holds it, and what it says where not. */
interface Rule {
  readonly holds: (found: unknown, owner: object) => boolean;
  /** Asked of one member, where the rule is about each of a list. */
  readonly ofEach: ((found: unknown, owner: object) => boolean) | undefined;
  readonly message: string;
}

/** What is asked of one key: plain rules, then the class of what it holds. */
interface KeyRules {
  readonly applies: readonly ((found: unknown, owner: object) => boolean)[];
  readonly rules: readonly Rule[];
  readonly inner: { readonly type: new () => object; readonly each: boolean } | undefined;
}

const RULES = new Map<object, ReadonlyMap<string, KeyRules>>();

/**
 * Whether an object from outside holds every rule of its class: the very rules that class-validator was given, asked one
 * after another without building the tree of errors that it builds for each object, sound or not. A kitchen of a hundred
 * thousand lines is read in a second instead of half a minute.
 *
 * @param type class with the rules
 * @param found parsed JSON
 */
export function isSoundEntry(type: new () => object, found: object): boolean {
  const rulesOf = keyRulesOf(type);
  for (const key of Object.keys(found)) if (!rulesOf.has(key)) return false;
  for (const [key, { applies, rules, inner }] of rulesOf) {
    const held = (found as Record<string, unknown>)[key];
    if (applies.some((condition) => !condition(held, found))) continue;
    if (!rules.every(({ holds }) => holds(held, found))) return false;
    if (inner && !membersOf(held, inner.each).every((one) => isObject(one) && isSoundEntry(inner.type, one))) return false;
  }
  return true;
}

/**
 * What is wrong with an object from outside by the rules of its class, one fault after another: keys that are not known, then
 * what each key holds, the first rule that it breaks. Whoever has enough stops asking, and nothing more is looked at.
 *
 * @param path put before each fault's
 */
export function* entryFaults(type: new () => object, found: object, path: string): Generator<Fault> {
  const rulesOf = keyRulesOf(type);
  for (const key of Object.keys(found))
    if (!rulesOf.has(key))
      yield { path: joined(path, key), message: `unknown key "${shortened(key)}"${didYouMean(key, [...rulesOf.keys()])}` };
  for (const [key, { applies, rules, inner }] of rulesOf) {
    const held = (found as Record<string, unknown>)[key];
    if (applies.some((condition) => !condition(held, found))) continue;
    const broken = rules.find(({ holds }) => !holds(held, found));
    if (broken) yield* brokenFaults(broken, held, found, joined(path, key), kindsOfKey(type, key));
    else if (inner) yield* innerFaults(inner, held, joined(path, key));
  }
}

/**
 * What a rule says of what stands at a place; of the first member that breaks it, where it is about each of a list. What has the
 * keys of one of the kinds that may stand there was meant to be of it: then it is told what is wrong with it as that.
 */
function* brokenFaults(
  { ofEach, message }: Rule,
  held: unknown,
  owner: object,
  path: string,
  kinds: readonly (new () => object)[],
): Generator<Fault> {
  const members: readonly unknown[] = ofEach && Array.isArray(held) ? held : [];
  const index = ofEach ? members.findIndex((one) => !ofEach(one, owner)) : -1;
  const [found, at] = index >= 0 ? [members[index], `${path}[${index}]`] : [held, path];
  const meant = isObject(found) ? kinds.filter((kind) => hasKeysOf(kind, found)) : [];
  const [only] = meant;
  if (only && meant.length === 1 && isObject(found)) yield* entryFaults(only, found, at);
  else yield { path: at, message: messageOf(message, found) };
}

/** Whether an object has every key that a class asks for, and no other than it knows. */
function hasKeysOf(type: new () => object, found: object): boolean {
  const rules = keyRulesOf(type);
  return (
    Object.keys(found).every((key) => rules.has(key)) &&
    [...rules].every(([key, { applies }]) => applies.length > 0 || Object.hasOwn(found, key))
  );
}

function* innerFaults({ type, each }: NonNullable<KeyRules['inner']>, held: unknown, path: string): Generator<Fault> {
  let i = 0;
  for (const one of membersOf(held, each)) {
    const at = each ? `${path}[${i++}]` : path;
    if (isObject(one)) yield* entryFaults(type, one, at);
    else yield { path: at, message: 'must be an object' };
  }
}

function membersOf(held: unknown, each: boolean): readonly unknown[] {
  return each ? (held as readonly unknown[]) : [held];
}

/** Where a key of an object stands: `recipes[0].title`. */
export function joined(parent: string, key: string): string {
  const short = shortened(key);
  return parent === '' ? short : `${parent}.${short}`;
}

/** A key as it is told: nobody reads a thousand letters of one. */
function shortened(key: string): string {
  return key.length <= LONGEST_TOLD ? key : `${key.slice(0, LONGEST_TOLD)}…`;
}
const LONGEST_TOLD = 80;

/** What a rule says, and what stands there instead, when short, with the nearest word allowed. */
function messageOf(message: string, held: unknown): string {
  if (held === undefined) return `is missing; it ${message}`;
  if (typeof held === 'number' || typeof held === 'boolean' || held === null) return `${message}, not ${String(held)}`;
  if (typeof held !== 'string' || held.length > 60) return message;
  const words = /^must be one of: (.*)$/.exec(message)?.[1]?.split(', ') ?? [];
  return `${message}, not "${held}"${didYouMean(held, words)}`;
}

function keyRulesOf(type: new () => object): ReadonlyMap<string, KeyRules> {
  const ready = RULES.get(type);
  if (ready) return ready;
  const keys = new Map<string, { readonly applies: KeyRules['applies'][number][]; readonly rules: Rule[]; inner: KeyRules['inner'] }>();
  const storage = getMetadataStorage();
  for (const rule of storage.getTargetValidationMetadatas(type, '', false, false)) {
    const at = keys.get(rule.propertyName) ?? { applies: [], rules: [], inner: undefined };
    keys.set(rule.propertyName, at);
    const constraints = (rule.constraints ?? []) as unknown[];
    if (rule.type === 'conditionalValidation') {
      const [condition] = constraints as [(owner: object, found: unknown) => boolean];
      at.applies.push((found, owner) => condition(owner, found));
    } else if (rule.type === 'nestedValidation') at.inner = { type: classOfKey(type, rule.propertyName), each: rule.each };
    else if (rule.type === 'customValidation') {
      for (const { instance } of storage.getTargetValidatorConstraints(rule.constraintCls)) {
        const asked = (found: unknown, owner: object) => ({
          targetName: type.name,
          property: rule.propertyName,
          object: owner,
          value: found,
          constraints,
        });
        // A rule that answers later is no yes.
        const holds: Rule['holds'] = (found, owner) => instance.validate(found, asked(found, owner)) === true;
        at.rules.push({
          holds: rule.each ? (found, owner) => Array.isArray(found) && found.every((one) => holds(one, owner)) : holds,
          ofEach: rule.each ? holds : undefined,
          message: typeof rule.message === 'string' ? rule.message : (instance.defaultMessage?.(asked(undefined, {})) ?? 'cannot be read'),
        });
      }
    } else throw new TypeError(`${type.name}.${rule.propertyName}: a rule of the kind "${rule.type}" is not read here`);
  }
  RULES.set(type, keys);
  return keys;
}

function isObject(found: unknown): found is object {
  return typeof found === 'object' && found !== null && !Array.isArray(found);
}
