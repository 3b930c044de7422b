import { underFreeId } from './underFreeId';

const refusal = (status: number) => Object.assign(new Error('refused'), { data: { status, title: '', detail: 'there is already one' } });

test('what the page knows to be taken, and what only the server knows, is passed over', async () => {
  const there = new Set(['dal', 'dal-2', 'dal-3']);
  const make = (id: string) => (there.has(id) ? Promise.reject(refusal(409)) : Promise.resolve(id));
  expect(await underFreeId('Dal', ['dal'], make)).toBe('dal-4');
});

test('any other trouble is told, and so is a name without end', async () => {
  const tried: string[] = [];
  const refuse = (status: number) => (id: string) => {
    tried.push(id);
    return Promise.reject(refusal(status));
  };
  await expect(underFreeId('Dal', [], refuse(422))).rejects.toMatchObject({ data: { status: 422 } });
  expect(tried).toEqual(['dal']);
  await expect(underFreeId('Dal', [], refuse(409))).rejects.toMatchObject({ data: { status: 409 } });
  expect(tried.length).toBeLessThan(30);
});
