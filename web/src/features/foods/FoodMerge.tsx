import { useEffect, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate } from 'react-router';
import { likelyDuplicates, type Food } from '@portiona/core';
import { api, useMergeFoodsMutation, usePreviewMergeMutation, type MergePreviewDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Modal } from '../../ui/Modal';
import { useToast } from '../../ui/Toasts';
import { useKitchen } from '../kitchen/useKitchen';
import { effectText } from './effectText';
import { FoodFinder } from './FoodFinder';
import { Remark } from '../../ui/Remark';
import { Button } from '../../ui/Button';

/** Makes one food of two that are the same: which stays is chosen, and what it changes is shown first. */
export function FoodMerge({ food, onClose }: { readonly food: Food; readonly onClose: () => void }) {
  const here = useKitchen();
  const [words, setWords] = useState('');
  const [other, setOther] = useState<Food>();
  const [keepsThis, setKeepsThis] = useState(true);
  const [preview, { data, error }] = usePreviewMergeMutation();
  const [merge, { isLoading }] = useMergeFoodsMutation();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const say = useToast();
  const [kept, gone] = keepsThis ? [food, other] : [other, food];
  const [keptId, goneId] = [kept?.id, gone?.id];
  useEffect(() => {
    if (keptId !== undefined && goneId !== undefined) void preview({ mergeDto: { kept: keptId, gone: goneId } });
  }, [keptId, goneId, preview]);
  if (!here) return null;
  const found = words.trim() === '' ? likelyDuplicates(food, here.index) : here.index.find(words, 8).map((match) => match.food);
  const choices = found.filter(({ id }) => id !== food.id);
  const mergeThem = async () => {
    if (!kept || !gone) return;
    try {
      await merge({ mergeDto: { kept: kept.id, gone: gone.id } }).unwrap();
      dispatch(api.util.invalidateTags(['foods', 'packs', 'recipes', 'kitchen']));
      onClose();
      await navigate(`/pantry/${kept.id}`);
      say(`${gone.name} is ${kept.name} now.`);
    } catch (problem) {
      say(problemText(problemOf(problem)));
    }
  };
  return (
    <Modal
      open
      onClose={onClose}
      title={`Merge ${food.name}`}
      hint="Two entries of one food become one: its packs and every recipe follow. What each knows besides is kept."
    >
      {!other ? (
        <FoodFinder
          label="The same food under another name"
          placeholder="Find the same food under another name"
          words={words}
          onWords={setWords}
          foods={choices}
          here={here}
          onPick={setOther}
          autoFocus
        >
          <p className="muted text-small mt-3 mb-1">
            {words.trim() === '' ? (choices.length === 0 ? 'Nothing in the pantry looks like its double.' : 'These look like it:') : ''}
          </p>
        </FoodFinder>
      ) : (
        <>
          <div className="grid gap-1.5" role="radiogroup" aria-label="Which stays">
            {[food, other].map((one) => (
              <label key={one.id} className="flex gap-2 items-center">
                <input type="radio" name="kept" checked={one.id === kept?.id} onChange={() => setKeepsThis(one.id === food.id)} />
                <span>
                  <b className="font-serif font-semibold">{one.name}</b> <span className="muted">stays, with its figures</span>
                </span>
              </label>
            ))}
          </div>
          {error && (
            <Remark tone="bad" className="mt-3">
              {problemText(problemOf(error))}
            </Remark>
          )}
          {data && <Effects preview={data} currency={here.kitchen.settings.currency} />}
          <p className="flex gap-3 mt-4">
            <Button kind="main" disabled={!data || isLoading} onClick={() => void mergeThem()}>
              Merge them
            </Button>
            <Button onClick={() => setOther(undefined)}>Another food</Button>
          </p>
        </>
      )}
    </Modal>
  );
}

function Effects({ preview: { packs, recipes }, currency }: { readonly preview: MergePreviewDto; readonly currency: string }) {
  return (
    <div className="mt-3">
      <p className="muted">
        {recipes.length === 0
          ? 'No recipe holds the one that goes'
          : `${recipes.length} ${recipes.length === 1 ? 'recipe changes' : 'recipes change'}`}
        , {packs} {packs === 1 ? 'price moves' : 'prices move'} over.
      </p>
      {recipes.map(({ id, title, servingName, ...effect }) => (
        <p key={id} className="flex gap-3 py-1 border-t border-rule">
          <span className="font-serif flex-1">{title}</span>
          <span className="num">
            {effectText(effect, currency)} a {servingName}
          </span>
        </p>
      ))}
    </div>
  );
}
