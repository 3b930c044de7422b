import { Link } from 'react-router';
import { IfMay } from '../account/IfMay';
import { dayText } from '@portiona/core';
import { useListPutAwayQuery, useRestoreFoodMutation, useRestoreRecipeMutation, type PutAwayItemDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { dayOf } from '../../ui/timeText';
import { useToast } from '../../ui/Toasts';
import { Button } from '../../ui/Button';
import './putAway.css';

/** Recipes and foods that were put away: nothing of them is lost, and each is taken out again. */
export function PutAwayPage() {
  const { data, error, refetch } = useListPutAwayQuery(undefined, { refetchOnMountOrArgChange: true });
  const [restoreRecipe] = useRestoreRecipeMutation();
  const [restoreFood] = useRestoreFoodMutation();
  const say = useToast();
  const takeOut = (one: PutAwayItemDto, restore: (of: { id: string }) => { unwrap: () => Promise<unknown> }) => {
    restore({ id: one.id })
      .unwrap()
      .then(() => {
        say(`${one.name} is out again.`);
        void refetch();
      })
      .catch((failed: unknown) => say(problemText(problemOf(failed))));
  };
  return (
    <main className="page">
      <div className="page-head">
        <h1>Put away</h1>
        <span className="muted">kept whole: what used them still does, and they are taken out again as they were</span>
      </div>
      {error !== undefined && (
        <p className="bad p-4" role="alert">
          {problemText(problemOf(error))}
        </p>
      )}
      {data && (
        <div className="put-away">
          <List
            heading="Recipes"
            items={data.recipes}
            to={(id) => `/recipes/${id}/build`}
            onTakeOut={(one) => takeOut(one, restoreRecipe)}
          />
          <List heading="Foods" items={data.foods} to={(id) => `/pantry/${id}`} onTakeOut={(one) => takeOut(one, restoreFood)} />
        </div>
      )}
    </main>
  );
}

interface ListProps {
  readonly heading: string;
  readonly items: readonly PutAwayItemDto[];
  readonly to: (id: string) => string;
  readonly onTakeOut: (one: PutAwayItemDto) => void;
}

function List({ heading, items, to, onTakeOut }: ListProps) {
  return (
    <section aria-label={heading}>
      <h2>
        {heading} <span className="faint">{items.length}</span>
      </h2>
      {items.length === 0 && <p className="muted">None.</p>}
      <ul>
        {items.map((one) => (
          <li key={one.id}>
            <Link className="font-serif hover:underline" to={to(one.id)}>
              {one.name}
            </Link>
            <span className="faint">since {dayText(dayOf(one.putAwayAt), true)}</span>
            <IfMay right="edit">
              <Button aria-label={`Take out ${one.name}`} onClick={() => onTakeOut(one)}>
                Take out
              </Button>
            </IfMay>
          </li>
        ))}
      </ul>
    </section>
  );
}
