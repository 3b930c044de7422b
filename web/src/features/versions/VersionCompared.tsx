import { useMemo, useState } from 'react';
import { IfMay } from '../account/IfMay';
import { Kitchen, recipeChanges, recipeFigures, type Recipe, type RecipeChange, type RecipeFigures } from '@portiona/core';
import { useKeepVersionMutation, useLetGoOfVersionMutation, useOpenVersionQuery, type VersionDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { useToast } from '../../ui/Toasts';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { COMPARED, ComparedRow, DifferingFigure, figureOf } from '../recipes/DifferingFigure';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch, useRecipeState } from '../recipes/useRecipeState';
import { besidesOf, subjectOf } from './versionWords';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';

interface VersionComparedProps {
  readonly version: VersionDto;
  readonly recipe: Recipe;
  readonly here: LoadedKitchen;
  /** It was named, or taken back. */
  readonly onChanged: () => void;
}

/** A version beside what the recipe is now: figures, then line by line; and what may be done with it. */
export function VersionCompared({ version, recipe, here, onChanged }: VersionComparedProps) {
  const { data, error } = useOpenVersionQuery({ id: recipe.id, revision: version.revision });
  const { revision } = useRecipeState();
  const dispatch = useAppDispatch();
  const [keep] = useKeepVersionMutation();
  const [letGo] = useLetGoOfVersionMutation();
  const [naming, setNaming] = useState<string>();
  const say = useToast();
  const was = useMemo(() => data && data.document, [data]);
  const subRecipes = useMemo(() => (data ? data.subRecipes : []), [data]);
  const changes = useMemo(() => (was ? recipeChanges(was, recipe, (id) => here.foodsById.get(id)) : []), [was, recipe, here.foodsById]);
  // Both as they are written: a card prints what can be measured, and its docket is of that.
  const now = useMemo(() => figuresOf(recipe, here.kitchen), [recipe, here.kitchen]);
  const then = useMemo(() => was && figuresOf(was, new Kitchen({ ...here.kitchen.content, recipes: subRecipes })), [was, subRecipes, here]);
  const told = (work: Promise<unknown>) => work.then(onChanged).catch((failed: unknown) => say(problemText(problemOf(failed))));
  const takeBack = () => {
    if (!was) return;
    void told(keep({ id: recipe.id, revision, keepVersionDto: { because: 'takenBack' } }).unwrap());
    if (subRecipes.length > 0) dispatch(recipeActions.subRecipesKnown(subRecipes));
    dispatch(recipeActions.edited({ recipe: was }));
    say('It is taken back. Ctrl Z undoes that, and what it was stays among the versions.');
  };
  if (error) return <p className="bad">{problemText(problemOf(error))}</p>;
  if (!was) return <p className="faint">Being looked up …</p>;
  const { kitchen } = here;
  return (
    <div className="version-compared">
      {changes.length === 0 ? (
        <p className="muted">It says what the recipe says now.</p>
      ) : (
        <>
          <ul className="altered" aria-label="What changed since">
            {changes.map((change, i) => (
              <Change key={i} change={change} />
            ))}
          </ul>
          <table className="variants">
            <thead>
              <tr>
                <th>a {was.servingName ?? 'serving'}</th>
                <th>then</th>
                <th>now</th>
              </tr>
            </thead>
            <tbody>
              {COMPARED.map((row) => (
                <ComparedRow key={row} row={row} base={then} of="the version" kitchen={kitchen}>
                  <DifferingFigure
                    row={row}
                    base={then ? figureOf(row, then, kitchen) : undefined}
                    made={now}
                    of="the recipe as it is"
                    kitchen={kitchen}
                  />
                </ComparedRow>
              ))}
            </tbody>
          </table>
          <p className="src">
            {then ? 'Both of today’s foods and prices.' : 'It uses a food or a part that is not here any more, so it has no figures.'}
          </p>
        </>
      )}
      <div className="flex gap-2 flex-wrap mt-2">
        {changes.length > 0 && (
          <IfMay right="edit">
            <Button kind="main" onClick={takeBack}>
              Take it back
            </Button>
          </IfMay>
        )}
        {naming === undefined ? (
          <IfMay right="edit">
            <Button onClick={() => setNaming(version.name ?? '')}>{version.name === null ? 'Name it' : 'Name it otherwise'}</Button>
          </IfMay>
        ) : (
          <form
            className="flex gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              if (naming.trim() === '') return;
              const keepVersionDto = { because: 'named' as const, name: naming.trim() };
              void told(keep({ id: recipe.id, revision: version.revision, keepVersionDto }).unwrap());
              setNaming(undefined);
            }}
          >
            <Input
              aria-label="Name of the version"
              data-own-undo
              autoFocus
              maxLength={80}
              value={naming}
              onChange={({ target }) => setNaming(target.value)}
            />
            <Button disabled={naming.trim() === ''}>Keep</Button>
          </form>
        )}
        {version.name !== null && naming === undefined && (
          <IfMay right="edit">
            <Button onClick={() => void told(letGo({ id: recipe.id, revision: version.revision }).unwrap())}>Take the name off</Button>
          </IfMay>
        )}
      </div>
    </div>
  );
}

/** What was, and what is. */
function Change({ change }: { readonly change: RecipeChange }) {
  const { before, after } = change;
  const besides = besidesOf(change);
  return (
    <li>
      <span className="subject">{subjectOf(change)}</span>
      <span>
        {before !== undefined && before !== after && <del>{before}</del>}{' '}
        {after !== undefined && (before === after ? after : <ins>{after}</ins>)}
        {besides !== '' && <span className="src"> {besides}</span>}
        {before === undefined && after === undefined && <span className="src">changed</span>}
      </span>
    </li>
  );
}

/** Figures by the foods and prices of today; undefined where a line names what is not here. */
function figuresOf(recipe: Recipe, kitchen: Kitchen): RecipeFigures | undefined {
  try {
    return recipeFigures(recipe, kitchen);
  } catch {
    return undefined;
  }
}
