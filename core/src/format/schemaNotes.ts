/** A piece of JSON Schema. */
export interface SchemaPiece {
  readonly [keyword: string]: unknown;
}

interface Noted {
  readonly piece: SchemaPiece;
  readonly optional: boolean;
}

type Class = abstract new () => object;

/** The class of what stands at a key, where that is an object or a list of them. */
const CLASSES = new Map<Class, Map<string, new () => object>>();

/** Notes the class of what stands at a key. */
export function noteClass(type: new () => object): PropertyDecorator {
  return (target, key) => {
    const owner = target.constructor as Class;
    CLASSES.set(owner, (CLASSES.get(owner) ?? new Map<string, new () => object>()).set(String(key), type));
  };
}

/**
 * The class of what stands at a key.
 *
 * @throws TypeError where none was noted
 */
export function classOfKey(owner: Class, key: string): new () => object {
  const type = CLASSES.get(owner)?.get(key);
  if (!type) throw new TypeError(`${owner.name}.${key} is no object of a class`);
  return type;
}

/** The classes that what stands at a key may be of, where there are several. */
const KINDS = new Map<Class, Map<string, readonly (new () => object)[]>>();

/** Notes the classes that what stands at a key may be of. */
export function noteKinds(types: readonly (new () => object)[]): PropertyDecorator {
  return (target, key) => {
    const owner = target.constructor as Class;
    KINDS.set(owner, (KINDS.get(owner) ?? new Map<string, readonly (new () => object)[]>()).set(String(key), types));
  };
}

/** The classes that what stands at a key may be of; none where it is of one, or of none. */
export function kindsOfKey(owner: Class, key: string): readonly (new () => object)[] {
  return KINDS.get(owner)?.get(key) ?? [];
}

/** What the constraints of each class say of its keys, noted as the classes are defined: the schema follows from them. */
const NOTES = new Map<Class, Map<string, Noted>>();

/** Notes what a constraint means in JSON Schema, beside whatever the key has noted already. */
export function noteSchema(piece: SchemaPiece): PropertyDecorator {
  return (target, key) => addNote(target, key, { piece, optional: false });
}

/** Notes that a key may be left out. */
export function noteOptional(): PropertyDecorator {
  return (target, key) => addNote(target, key, { piece: {}, optional: true });
}

/** A reference to a class's own schema. */
export function schemaRef(type: Class): SchemaPiece {
  return { $ref: `#/$defs/${nameOf(type)}` };
}

/**
 * JSON Schema (draft 2020-12) of a class and of every class it refers to, as its constraints say. References that the
 * schema cannot tell (a food nobody holds, a circle of parts) are found at reading.
 *
 * @param type the class of the whole document
 * @param all every class that may be referred to
 */
export function schemaOf(type: Class, all: readonly Class[]): SchemaPiece {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    ...objectSchema(type),
    $defs: Object.fromEntries(all.map((one) => [nameOf(one), objectSchema(one)])),
  };
}

function objectSchema(type: Class): SchemaPiece {
  const notes = [...(NOTES.get(type) ?? new Map<string, Noted>())];
  return {
    type: 'object',
    properties: Object.fromEntries(notes.map(([key, { piece }]) => [key, piece])),
    required: notes.filter(([, { optional }]) => !optional).map(([key]) => key),
    additionalProperties: false,
  };
}

function addNote(target: object, key: string | symbol, { piece, optional }: Noted): void {
  const type = target.constructor as Class;
  const ofType = NOTES.get(type) ?? new Map<string, Noted>();
  const before = ofType.get(String(key));
  ofType.set(String(key), { piece: { ...piece, ...before?.piece }, optional: optional || (before?.optional ?? false) });
  NOTES.set(type, ofType);
}

/** "FoodEntry" is called Food in the schema. */
function nameOf(type: Class): string {
  return type.name.replace(/Entry$/, '');
}
