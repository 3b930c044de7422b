// Requests that are nearly right: for things that are there, with bodies as the interface has them, in which one place is not what it is to be.
import { readFileSync } from 'node:fs';

const DEMO = JSON.parse(readFileSync(new URL('../../demo/saltmarsh-suppers.json', import.meta.url), 'utf8'));
const LONG = 'x'.repeat(200_000);
/** What stands in a place instead. */
const INSTEAD = [
  null,
  [],
  {},
  '',
  LONG,
  'a\0b',
  '\ud83c',
  '../../etc/passwd',
  "';drop table recipes--",
  '<img src=x onerror=alert(1)>',
  '__proto__',
  '2026-02-31',
  '99999-12-31T25:61:61Z',
  -1,
  0,
  -0,
  1e308,
  2 ** 53,
  4.9e-324,
  '1e400',
  'NaN',
  true,
  Array(20_000).fill(0),
  { __proto__: null, constructor: { prototype: 1 } },
  '\u202e\u0000\uffff',
  '00000000-0000-0000-0000-000000000000',
  '=HYPERLINK("http://x")',
];
/** Places of one body that are tried at most. */
const PLACES = 90;
/** What a program sends that is no picture, though it begins like one; and pictures of sizes that nobody has. */
const PICTURES = [
  ['a JPEG that ends at once', Buffer.from([0xff, 0xd8, 0xff, 0xe0])],
  ['a JPEG of 65,535 by 65,535', Buffer.from('ffd8ffc00011080000ffffffff03012200021101031101ffda000c03010002110311003f00ffd9', 'hex')],
  [
    'a PNG of 2 billion by 2 billion',
    Buffer.from('89504e470d0a1a0a0000000d494844527fffffff7fffffff0806000000000000000000000049454e44ae426082', 'hex'),
  ],
  ['a PNG without a picture', Buffer.from('89504e470d0a1a0a0000000049454e44ae426082', 'hex')],
  ['a drawing with a script', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>')],
  ['an animation', Buffer.from('GIF89a\x01\x00\x01\x00')],
  ['an archive', Buffer.from('504b0304140000000800', 'hex')],
  ['a page', Buffer.from('<!doctype html><script>alert(1)</script>')],
  ['nothing', Buffer.alloc(0)],
  ['zeros', Buffer.alloc(300_000)],
];

/** Every place of a value, as keys to it. */
function placesOf(value, path = []) {
  if (typeof value !== 'object' || value === null) return [path];
  return [path, ...Object.entries(value).flatMap(([key, inner]) => placesOf(inner, [...path, key]))];
}

function withInstead(value, [key, ...rest], instead) {
  if (key === undefined) return instead;
  const copy = Array.isArray(value) ? [...value] : { ...value };
  copy[key] = withInstead(copy[key], rest, instead);
  return copy;
}

/** Some of many, from the first to the last. */
const spread = (list, most) =>
  list.length <= most ? list : Array.from({ length: most }, (_, i) => list[Math.floor((i * list.length) / most)]);

/** A value as a schema has it. */
function plausible(schema, schemas, depth = 0) {
  if (!schema || depth > 5) return 'x';
  if (schema.$ref) return plausible(schemas[schema.$ref.split('/').at(-1)], schemas, depth + 1);
  const choice = schema.enum ?? schema.oneOf ?? schema.anyOf ?? schema.allOf;
  if (schema.enum) return choice[0];
  if (choice) return plausible(choice[0], schemas, depth + 1);
  if (schema.type === 'array') return [plausible(schema.items, schemas, depth + 1)];
  if (schema.properties)
    return Object.fromEntries(Object.entries(schema.properties).map(([key, inner]) => [key, plausible(inner, schemas, depth + 1)]));
  if (schema.type === 'number' || schema.type === 'integer') return schema.minimum ?? 1;
  if (schema.type === 'boolean') return false;
  return schema.type === 'object' ? {} : 'x';
}

/** Documents as the kitchen has them, by what holds them in an address. */
const DOCUMENTS = {
  recipes: DEMO.recipes[0],
  foods: DEMO.foods[0],
  packs: DEMO.packs?.[0],
  batches: DEMO.batches?.[0],
  sessions: DEMO.sessions?.[0],
  weeks: DEMO.weeks?.[0],
  people: DEMO.people?.[0],
  stock: DEMO.stock?.[0],
};
/** As in the other list: what would sign out whoever asks or take the kitchen away, and what takes things away that are asked for after it. */
const SPARED = /^DELETE |^PUT \/api\/me\/password|\/taken$|\/events$|\/imports\/kitchen-file$|\/archive$|\/merges$|\/copies$/;

/**
 * @param api the OpenAPI document
 * @param kitchen where the addresses of a kitchen begin that whoever asks may do anything in
 * @param ids of things that are there, by what stands before them in an address
 * @returns method, address, body and content type of each; the same for the same
 */
export function nearlyRight({ paths, components }, kitchen, ids) {
  const requests = [];
  let turn = 0;
  for (const [path, methods] of Object.entries(paths))
    for (const [verb, { requestBody }] of Object.entries(methods)) {
      const method = verb.toUpperCase();
      if (SPARED.test(`${method} ${path}`)) continue;
      const there = path
        .replace('/api/kitchens/{kitchen}', kitchen)
        .replaceAll(
          /\/([^/]+)\/\{([^}]+)\}/g,
          (_, before, name) => `/${before}/${name === 'issue' || name === 'revision' ? 1 : (ids[before] ?? 'none')}`,
        );
      const url = there.replaceAll(/\{[^}]+\}/g, '1');
      if (requestBody === undefined) {
        if (method === 'POST') requests.push({ method, url, body: '{"x":', type: 'application/json' });
        continue;
      }
      const [[type, { schema }]] = Object.entries(requestBody.content);
      if (type === 'application/octet-stream') {
        for (const [name, body] of PICTURES) requests.push({ method, url, body, type, name });
        continue;
      }
      if (type !== 'application/json') {
        for (const [name, body] of PICTURES) requests.push({ method, url: `${url}?name=a.csv`, body, type, name });
        continue;
      }
      const body = plausible(schema, components.schemas);
      const [, held] = /\/([a-z]+)(?:\/\{id\})?$/.exec(path) ?? [];
      if (body.document !== undefined && DOCUMENTS[held]) body.document = DOCUMENTS[held];
      if ('revision' in body) body.revision = 1;
      for (const place of spread(placesOf(body), PLACES)) {
        const changed = withInstead(body, place, INSTEAD[turn++ % INSTEAD.length]);
        requests.push({ method, url, body: JSON.stringify(changed), type, name: `${place.join('.')}` });
      }
    }
  return requests;
}

/**
 * One of each that a kitchen with the demo has, by what stands before its id in an address.
 *
 * @param ask gets an address of the kitchen, or sends something there
 */
export async function thingsThere(ask) {
  const first = async (path) => (await ask(path))[0].id;
  const made = async (path, sent) => {
    const { id } = [await ask(path, sent)].flat()[0];
    if (id === undefined) throw new Error(`${path} made nothing`);
    return id;
  };
  const recipes = await first('/api/recipes');
  return {
    recipes,
    foods: await first('/api/foods'),
    packs: await first('/api/packs'),
    batches: await first('/api/batches'),
    sessions: await first('/api/sessions'),
    weeks: DEMO.weeks[0].id,
    people: DEMO.people[0].id,
    stock: DEMO.stock[0].id,
    members: await first('/api/members'),
    invitations: await made('/api/kitchen/invitations', { role: 'viewer', costs: false }),
    notes: await made(`/api/recipes/${recipes}/notes`, { place: 'recipe', about: 'the dish', text: 'Salt?', mentions: [] }),
    distributions: await made(`/api/recipes/${recipes}/distributions`, { figure: 'protein', draws: 2000 }),
  };
}
