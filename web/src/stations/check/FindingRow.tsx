import { useId, useState } from 'react';
import { Link } from 'react-router';
import { ABOUT, type Finding, type Kitchen, type Mend, type Recipe, type RecipeFigures } from '@portiona/core';
import { useMay } from '../../features/account/useMe';
import { placeName } from '../../features/check/findingPlaces';
import { mendedWords } from '../../features/check/mendedWords';
import { useAddAllergens } from '../../features/check/useAddAllergens';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';

interface FindingRowProps {
  readonly finding: Finding;
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  /** Somebody came here for it. */
  readonly wanted: boolean;
  readonly onMend: (mend: Mend) => void;
  readonly onLeave: (because: string) => void;
}

/** One finding: where, what is wrong, why it matters, the recipe's own words with the mend drawn in, and what can be done. */
export function FindingRow({ finding, recipe, figures, kitchen, wanted, onMend, onLeave }: FindingRowProps) {
  const { code, at, message, mend, otherwise } = finding;
  const [leaving, setLeaving] = useState(false);
  const addAllergens = useAddAllergens();
  const mayWrite = useMay('comment');
  const words = mendedWords(finding, mend, recipe, kitchen);
  const place = placeName(at, recipe, figures);
  const make = (one: Mend) => (one.kind === 'allergens' ? void addAllergens(one.food, one.allergens) : onMend(one));
  return (
    <article className={`finding ${leaving || wanted ? 'on' : ''}`} data-at={at} aria-label={`${place}: ${message}`}>
      <Link className="finding-at" to={addressOf(at, recipe)} title={`Go to ${place}`}>
        {place}
      </Link>
      <div className="finding-body">
        <p className="finding-what">{message}</p>
        <p className="finding-why">{ABOUT[code].why}</p>
        {words && (
          <blockquote className="finding-words">
            {words.before}
            {words.gone !== '' && <del>{words.gone}</del>}{' '}
            {words.come !== '' && (words.isQuote ? <mark>{words.come}</mark> : <ins>{words.come}</ins>)}
            {words.behind}
          </blockquote>
        )}
        {leaving && <LeaveBecause onLeave={onLeave} onCancel={() => setLeaving(false)} />}
      </div>
      <div className="finding-do">
        {mend && <Button onClick={() => make(mend)}>{mend.words}</Button>}
        {otherwise && <Button onClick={() => make(otherwise)}>{otherwise.words}</Button>}
        {!mend && (
          <Button asChild>
            <Link to={addressOf(at, recipe)}>Go there</Link>
          </Button>
        )}
        {mayWrite && (
          <Button kind="quiet" asChild>
            <Link
              to={{
                search: `?working=notes&at=${encodeURIComponent(`finding/${code} ${at}`)}&about=${encodeURIComponent(message.slice(0, 190))}`,
              }}
            >
              Note
            </Link>
          </Button>
        )}
        {!leaving && (
          <Button kind="quiet" onClick={() => setLeaving(true)}>
            leave it, because …
          </Button>
        )}
      </div>
    </article>
  );
}

function LeaveBecause({ onLeave, onCancel }: { readonly onLeave: (because: string) => void; readonly onCancel: () => void }) {
  const [because, setBecause] = useState('');
  const id = useId();
  const said = because.trim();
  return (
    <form
      className="leave-because"
      data-own-undo
      onSubmit={(event) => {
        event.preventDefault();
        if (said !== '') onLeave(said);
      }}
      onKeyDown={(event) => event.key === 'Escape' && onCancel()}
    >
      <label htmlFor={id}>Leave it, because</label>
      <Input id={id} autoFocus maxLength={500} value={because} onChange={({ target }) => setBecause(target.value)} />
      <Button kind="main" type="submit" disabled={said === ''}>
        Leave it
      </Button>
      <Button type="button" onClick={onCancel}>
        Cancel
      </Button>
    </form>
  );
}

/** Where a finding's place is worked on. */
function addressOf(at: string, { id }: Recipe): { readonly pathname: string; readonly search?: string } {
  const build = `/recipes/${id}/build`;
  if (at.startsWith('food:')) return { pathname: `/pantry/${at.slice('food:'.length)}` };
  if (at.startsWith('step/') || at === 'lead' || at === 'storage') return { pathname: build, search: '?side=method' };
  if (at === 'serving') return { pathname: `/recipes/${id}/brief` };
  return { pathname: build };
}
