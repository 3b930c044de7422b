import { getMetadataStorage } from 'class-validator';
import { classOfKey } from './schemaNotes.js';

/** Whether what stands at one key of an object holds every rule of its class. */
type Check = (found: unknown, owner: object) => boolean;

const CHECKS = new Map<object, ReadonlyMap<string, Check>>();

/**
 * Whether an object from outside holds every rule of its class: the very rules that class-validator was given, asked one
 * after another without building the tree of errors that it builds for each object, sound or not. A kitchen of a hundred
 * thousand lines is read in a second instead of half a minute. What is unsound is validated again, for its messages.
 *
 * @param type class with the rules
 * @param found parsed JSON
 */
export function isSoundEntry(type: new () => object, found: object): boolean {
  const checks = checksOf(type);
  for (const key of Object.keys(found)) if (!checks.has(key)) return false;
  for (const [key, check] of checks) if (!check((found as Record<string, unknown>)[key], found)) return false;
  return true;
}

function checksOf(type: new () => object): ReadonlyMap<string, Check> {
  const ready = CHECKS.get(type);
  if (ready) return ready;
  const rules = new Map<string, { readonly asked: Check[]; readonly conditions: Check[] }>();
  const storage = getMetadataStorage();
  for (const rule of storage.getTargetValidationMetadatas(type, '', false, false)) {
    const at = rules.get(rule.propertyName) ?? { asked: [], conditions: [] };
    rules.set(rule.propertyName, at);
    const constraints = (rule.constraints ?? []) as unknown[];
    if (rule.type === 'conditionalValidation') {
      const [applies] = constraints as [(owner: object, found: unknown) => boolean];
      at.conditions.push((found, owner) => applies(owner, found));
    } else if (rule.type === 'nestedValidation') {
      const inner = classOfKey(type, rule.propertyName);
      at.asked.push(
        rule.each
          ? (found) => (found as unknown[]).every((one) => isObject(one) && isSoundEntry(inner, one))
          : (found) => isObject(found) && isSoundEntry(inner, found),
      );
    } else if (rule.type === 'customValidation') {
      const validators = storage.getTargetValidatorConstraints(rule.constraintCls);
      const ask: Check = (found, owner) =>
        // A rule that answers later is no yes: what it stands at is left to class-validator.
        validators.every(
          ({ instance }) =>
            instance.validate(found, { targetName: type.name, property: rule.propertyName, object: owner, value: found, constraints }) ===
            true,
        );
      at.asked.push(rule.each ? (found, owner) => Array.isArray(found) && found.every((one) => ask(one, owner)) : ask);
    } else throw new TypeError(`${type.name}.${rule.propertyName}: a rule of the kind "${rule.type}" is not read here`);
  }
  const checks = new Map(
    [...rules].map(([key, { asked, conditions }]): [string, Check] => [
      key,
      // A list must be one before its members are asked: the plain rules go first.
      (found, owner) => conditions.some((applies) => !applies(found, owner)) || asked.every((ask) => ask(found, owner)),
    ]),
  );
  CHECKS.set(type, checks);
  return checks;
}

function isObject(found: unknown): found is object {
  return typeof found === 'object' && found !== null && !Array.isArray(found);
}
