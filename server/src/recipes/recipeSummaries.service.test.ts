import { houseScope } from '../scope/scope.js';
import { RecipeSummariesService } from './recipeSummaries.service.js';

/** Lists of a database that refuses every transaction, by the code it says. */
function refused(code: string) {
  const database = { write: () => Promise.reject(Object.assign(new Error('refused'), { code })) };
  return new RecipeSummariesService(database as never, {} as never, {} as never).settle(houseScope('k'));
}

test('what another server computes for longer than one waits for a lock is left to it; anything else is told', async () => {
  await expect(refused('55P03')).resolves.toBeUndefined();
  await expect(refused('57014')).rejects.toThrow('refused');
});
