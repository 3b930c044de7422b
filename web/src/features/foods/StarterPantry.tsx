import { useDispatch } from 'react-redux';
import { IfMay } from '../account/IfMay';
import { api, useImportStarterPantryMutation } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Remark } from '../../ui/Remark';
import { useToast } from '../../ui/Toasts';

/** Takes the generic foods in that are not there yet. */
export function StarterPantry() {
  const [take, { isLoading }] = useImportStarterPantryMutation();
  const dispatch = useDispatch();
  const say = useToast();
  return (
    <IfMay right="edit">
      <Button
        kind="main"
        disabled={isLoading}
        onClick={() =>
          void take()
            .unwrap()
            .then(({ foods }) => {
              dispatch(api.util.invalidateTags(['foods', 'kitchen']));
              say(`${foods} generic foods stand in the pantry.`);
            })
            .catch((error: unknown) => say(problemText(problemOf(error))))
        }
      >
        Take the starter pantry
      </Button>
    </IfMay>
  );
}

/** Said wherever lines are written while there is no food that they could find. */
export function EmptyPantry() {
  return (
    <Remark tone="warn" role="status" className="my-2">
      <span aria-hidden>▲</span>
      <span>
        The pantry is empty: no line finds a food, and nothing can be computed, until it holds some. <StarterPantry />
      </span>
    </Remark>
  );
}
