// Requests that mean harm or are broken, made from every route the interface has: a list for tests and for `bench faults`.

const LONG = 'x'.repeat(5000);
/** Ids as nobody has them, as they stand in an address. */
const IDS = [
  '%00',
  '..%2f..%2fetc',
  '%ff',
  LONG,
  '-1',
  '2147483648',
  '__proto__',
  'constructor',
  "'%3bdrop table foods--",
  '%F0%9F%8D%B2',
  '00000000-0000-0000-0000-000000000000',
  'a b',
  '<script>',
];
/** What stands behind the question mark. */
const QUERIES = [
  'q=a&q=b',
  'q=%00',
  `q=${LONG}`,
  'q=%25%25%25%26%7C',
  'limit=-1',
  'limit=1e99',
  'limit=NaN',
  'issue=2147483648',
  'issue=abc',
  'issue=-1',
  'format=a3',
  'from=a&to=%27',
  '__proto__[x]=1',
  'there=keep&there=keep',
  'encoding=ebcdic',
  'headingLines=99999999999',
];

const nested = (depth) => `{"document":${'['.repeat(depth)}${']'.repeat(depth)}}`;
const JSON_TYPE = 'application/json';
/** Bodies with their content type. */
const BODIES = [
  ['', JSON_TYPE],
  ['{', JSON_TYPE],
  ['null', JSON_TYPE],
  ['[]', JSON_TYPE],
  ['"text"', JSON_TYPE],
  ['{}', JSON_TYPE],
  ['{"document":null}', JSON_TYPE],
  ['{"document":[]}', JSON_TYPE],
  ['{"document":{}}', JSON_TYPE],
  ['{"document":{"id":"a\\u0000b","title":"x","name":"x"}}', JSON_TYPE],
  ['{"document":{"id":"a","title":"\\ud83c","name":"\\ud83c"}}', JSON_TYPE],
  ['{"document":{"__proto__":{"x":1},"constructor":1}}', JSON_TYPE],
  ['{"revision":2147483648,"document":{"id":"a"}}', JSON_TYPE],
  ['{"revision":1e999,"document":{"id":"a"}}', JSON_TYPE],
  ['{"revision":-1,"document":{"id":"a"}}', JSON_TYPE],
  ['{"brief":1,"prices":2,"kept":3,"gone":[],"mapping":[],"name":{}}', JSON_TYPE],
  ['{"prices":[{"document":{}},{"document":[]},7]}', JSON_TYPE],
  ['{"kept":"a","gone":"a"}', JSON_TYPE],
  ['{"format":"portiona/1","foods":[{}],"recipes":[[]]}', JSON_TYPE],
  [nested(50_000), JSON_TYPE],
  [`{"document":{"id":"a","name":"a","names":["${'y'.repeat(100_000)}"]}}`, JSON_TYPE],
  [`{"document":{"id":"a","title":"a","servings":1,"parts":[${'{},'.repeat(30_000)}{}]}}`, JSON_TYPE],
  [`{${Array.from({ length: 4000 }, (_, i) => `"key ${i}":1`).join(',')}}`, JSON_TYPE],
  ['{"figure":"energyKcal","draws":1e12,"seed":"x"}', JSON_TYPE],
  ['{"currency":"XXXX","measures":null,"briefs":[{}]}', JSON_TYPE],
  ['{}', 'text/plain'],
  ['document=1', 'application/x-www-form-urlencoded'],
  ['--x\r\n\r\n--x--', 'multipart/form-data; boundary=x'],
  ['{}', 'application/json; charset=utf-16'],
  ['\0\0\0\0', 'text/csv'],
  ['a;b\n"open', 'text/csv'],
];

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'];
/** What would sign out whoever asks, or take the kitchen away from all that is asked after it. */
const SPARED = new Set([
  'DELETE /api/me/session',
  'DELETE /api/me/sessions',
  'DELETE /api/kitchens/{kitchen}',
  'DELETE /api/kitchens/{kitchen}/membership',
  // Stays open for as long as somebody listens.
  'GET /api/kitchens/{kitchen}/events',
]);

/** Whole bodies that only a few routes are worth trying with: large ones. */
const LARGE = [
  ['2 MB of empty parts', () => `{"document":{"id":"a","title":"a","servings":1,"parts":[${'{},'.repeat(690_000)}{}]}}`],
  ['1.9 MB of unknown keys', () => `{"document":{${Array.from({ length: 160_000 }, (_, i) => `"k${i}":1`).join(',')}}}`],
  [
    '1 MB of names',
    () => `{"document":{"id":"a","name":"a","names":[${Array.from({ length: 9000 }, (_, i) => `"${'n'.repeat(110)}${i}"`).join(',')}]}}`,
  ],
  [
    'a title of 1.9 MB',
    () => `{"document":{"id":"a","title":"${'t'.repeat(1_900_000)}","servings":1,"parts":[{"id":"p","name":"p","lines":[]}]}}`,
  ],
  [
    'accents without end',
    () =>
      `{"document":{"id":"a","title":"${'\\u0315\\u0300\\u05ae'.repeat(90_000)}","servings":1,"parts":[{"id":"p","name":"p","lines":[]}]}}`,
  ],
];

/**
 * @param paths paths of the OpenAPI document
 * @param kitchen where the addresses of a kitchen begin that whoever asks may do anything in
 * @returns method, address, body and content type of each; the same for the same paths
 */
export function hostileRequests(paths, kitchen) {
  const requests = [];
  let turn = 0;
  for (const [path, methods] of Object.entries(paths))
    for (const method of METHODS.filter((one) => methods[one.toLowerCase()] && !SPARED.has(`${one} ${path}`))) {
      const addressed = (id) => path.replace('/api/kitchens/{kitchen}', kitchen).replaceAll(/\{[^}]+\}/g, id);
      if (path.includes('{kitchen}'))
        requests.push({
          method,
          url: path.replaceAll(/\{[^}]+\}/g, IDS[turn++ % IDS.length]),
          body: method === 'GET' ? undefined : '{}',
          type: JSON_TYPE,
        });
      const writes = method !== 'GET';
      if (path.includes('{'))
        for (const id of IDS) requests.push({ method, url: addressed(id), ...(writes ? { body: '{}', type: JSON_TYPE } : {}) });
      if (writes) for (const [body, type] of BODIES) requests.push({ method, url: addressed('no-such-thing'), body, type });
      // Each route is asked some of the questions, all of them over all routes.
      else for (let i = 0; i < 6; i++) requests.push({ method, url: `${addressed('no-such-thing')}?${QUERIES[turn++ % QUERIES.length]}` });
    }
  for (const [name, body] of LARGE)
    for (const [method, url] of [
      ['POST', '/recipes'],
      ['PUT', '/recipes/a'],
      ['POST', '/foods'],
      ['POST', '/imports/kitchen-file'],
      ['POST', '/packs'],
    ])
      requests.push({ method, url: kitchen + url, body: body(), type: JSON_TYPE, name });
  return requests;
}

/** What an answer may not be: an error of the server's own. A 5xx that says why and when to come again is an answer. */
export function isBroken(status, type) {
  return status === 500 || status > 599 || (status >= 500 && !/problem\+json/.test(type ?? ''));
}
