import { newUuid } from './newUuid';

test('every one is a random UUID of version 4, and another', () => {
  const made = Array.from({ length: 200 }, newUuid);
  for (const one of made) expect(one).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(new Set(made).size).toBe(200);
});
