import { preciseAllergens, type Allergen } from '@portiona/core';
import { useListFoodsQuery, useSaveFoodMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';

/** Adds allergens to a food of the pantry, and says what came of it: a save that comes too late writes nothing. */
export function useAddAllergens(): (food: string, allergens: readonly Allergen[]) => Promise<void> {
  const foods = useListFoodsQuery().data;
  const [save] = useSaveFoodMutation();
  const say = useToast();
  return async (id, allergens) => {
    const row = foods?.find((one) => one.id === id);
    if (!row) return say('That food is not in the pantry any more.');
    const { document, revision } = row;
    const all = preciseAllergens([...(document.allergens ?? []), ...allergens]);
    try {
      await save({ id, saveFoodDto: { revision, document: { ...document, allergens: all } } }).unwrap();
      say(`${document.name} names ${allergens.join(', ')} now, in every dish that uses it.`);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
}
