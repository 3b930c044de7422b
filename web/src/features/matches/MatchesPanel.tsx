import { useMemo } from 'react';
import { Link } from 'react-router';
import {
  lineDoubt,
  lineText,
  neverAsked,
  per100gOf,
  withEveryLine,
  type Food,
  type FoundAgain,
  type Line,
  type LineFigures,
  type Recipe,
  type RecipeFigures,
} from '@portiona/core';
import { Button } from '../../ui/Button';
import { numberText, percentText } from '../../ui/numberText';
import { SidePanel } from '../../ui/SidePanel';
import { api } from '../../api/api.gen';
import { useApiDispatch } from '../../api/useApiDispatch';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { recipeActions } from '../recipes/recipeSlice';
import { useAppDispatch } from '../recipes/useRecipeState';
import { useFoundAgain, type FoundSince } from './useFoundAgain';
import './matches.css';

interface MatchesPanelProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly here: LoadedKitchen;
  readonly onClose: () => void;
  /** Opens a figure's working. */
  readonly onFigure: (figure: 'energyKcal' | 'weight') => void;
}

/** A line as it is matched, and how much hangs on it. */
interface Match {
  readonly at: string;
  readonly line: Line;
  readonly text: string;
  /** What it is counted as; undefined where its words fit no food. */
  readonly food: Food | undefined;
  readonly doubt: string | undefined;
  /** Eaten: what the energy is of. */
  readonly grams: number | undefined;
  readonly kcalPer100g: number | undefined;
  /** Share of the batch's energy. */
  readonly share: number;
}

/** What every line counts as: first those without a food, then those in doubt by what hangs on them, then the rest by energy. */
export function MatchesPanel({ recipe, figures, here, onClose, onFigure }: MatchesPanelProps) {
  const dispatch = useAppDispatch();
  const matches = useMemo(() => matchesOf(figures, here), [figures, here]);
  const { found: again, rows } = useFoundAgain(recipe, here);
  const apiDispatch = useApiDispatch();
  const unsure = matches.filter(({ doubt }) => doubt !== undefined);
  const agree = (which: (at: string) => boolean) =>
    dispatch(
      recipeActions.edited({
        recipe: withEveryLine(recipe, (line, where) =>
          line.agreed === false && 'at' in where && which(where.at) ? { ...line, agreed: true } : line,
        ),
      }),
    );
  const unasked = useMemo(() => new Set(neverAsked(recipe, here.index)), [recipe, here]);
  const ask = () =>
    dispatch(
      recipeActions.edited({
        recipe: withEveryLine(recipe, (line, where) => ('at' in where && unasked.has(where.at) ? { ...line, agreed: false } : line)),
      }),
    );
  const takeAgain = (which: readonly FoundAgain[]) => {
    const lines = new Map(which.map(({ at, line }) => [at, line]));
    // A row of an imported table is not at hand until a recipe uses it: from here on it is.
    const fetched = [...new Set(which.map(({ food }) => food.id))].flatMap((id) => rows.get(id) ?? []);
    if (fetched.length > 0) apiDispatch(api.util.updateQueryData('listFoods', undefined, (foods) => [...foods, ...fetched]));
    dispatch(
      recipeActions.edited({
        recipe: withEveryLine(recipe, (line, where) => ('at' in where ? (lines.get(where.at) ?? line) : line)),
      }),
    );
  };
  return (
    <SidePanel label="What lines count as" subject="" onClose={onClose} className="fitting">
      <h2>What lines count as</h2>
      <p className="intro">
        {unsure.length === 0
          ? 'No line is in doubt.'
          : `${unsure.length === 1 ? 'One line is' : `${unsure.length} lines are`} unsure: counted, and to be agreed to.`}{' '}
        {unsure.length > 1 && (
          <Button kind="quiet" onClick={() => agree(() => true)}>
            Agree to all {unsure.length}
          </Button>
        )}
      </p>
      {unasked.size > 0 && (
        <p className="muted text-small mb-2">
          {unasked.size === 1 ? 'One line has' : `${unasked.size} lines have`} had a food since before anyone was asked, though the words
          may mean another.{' '}
          <Button kind="quiet" onClick={ask}>
            Ask about {unasked.size === 1 ? 'it' : 'them'}
          </Button>
        </p>
      )}
      {again.length > 0 && <FoundNow found={again} rows={rows} here={here} onTake={takeAgain} />}
      <table className="matches">
        <thead>
          <tr>
            <th>as written, and counted as</th>
            <th className="num">g eaten</th>
            <th className="num">kcal in 100 g</th>
            <th className="num">of the energy</th>
          </tr>
        </thead>
        <tbody>
          {matches.map((match) => (
            <tr key={match.at}>
              <td>
                <span className="matched-words">{match.text}</span>
                <span className={`block text-small ${match.food === undefined ? 'bad' : match.doubt === undefined ? 'muted' : 'warn'}`}>
                  {match.food === undefined ? '✕ no food yet' : `${match.doubt === undefined ? '' : '▲ '}${match.food.name}`}
                  {match.doubt !== undefined && `: ${match.doubt}`}
                </span>
                {match.doubt !== undefined && (
                  <Button kind="quiet" className="text-small" onClick={() => agree((at) => at === match.at)}>
                    It is that
                  </Button>
                )}
              </td>
              <td className="num">
                {match.grams === undefined ? (
                  '?'
                ) : (
                  <button className="figbtn" title="Working of weight" onClick={() => onFigure('weight')}>
                    {numberText(match.grams, match.grams < 20 ? 1 : 0)}
                  </button>
                )}
              </td>
              <td className="num">
                {match.food === undefined ? (
                  '?'
                ) : (
                  <Link className="figbtn" title="Its label" to={`/pantry/${match.food.id}?show=energyKcal`}>
                    {match.kcalPer100g === undefined ? '?' : numberText(match.kcalPer100g, 0)}
                  </Link>
                )}
              </td>
              <td className="num">
                <button className="figbtn" title="Working of energy" onClick={() => onFigure('energyKcal')}>
                  {percentText(match.share)}
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </SidePanel>
  );
}

interface FoundNowProps {
  readonly found: readonly FoundAgain[];
  /** Rows of imported tables among what is found, by id. */
  readonly rows: FoundSince['rows'];
  readonly here: LoadedKitchen;
  readonly onTake: (which: readonly FoundAgain[]) => void;
}

/** Lines that find a food since it came into the pantry, or another one; nothing is taken before it is pressed. */
function FoundNow({ found, rows, here, onTake }: FoundNowProps) {
  return (
    <div className="found-now" role="group" aria-label="Foods found since">
      <p>
        {found.length === 1 ? 'One line finds' : `${found.length} lines find`} a food since it came into the pantry.{' '}
        {found.length > 1 && (
          <Button kind="quiet" onClick={() => onTake(found)}>
            Take all {found.length}
          </Button>
        )}
      </p>
      {found.map((one) => (
        <p key={one.at}>
          <span className="matched-words">{one.text}</span>
          <span className="block text-small warn">
            ▲ {one.food.name}
            {rows.has(one.food.id) && ', a row of an imported table'}
            {one.before !== undefined && `, instead of ${here.foodsById.get(one.before)?.name ?? one.before}`}
            {one.line.agreed === false && ', unsure still'}
          </span>
          <Button
            kind="quiet"
            className="text-small"
            aria-label={`Take it: ${one.food.name} for ${one.text}`}
            onClick={() => onTake([one])}
          >
            Take it
          </Button>
        </p>
      ))}
    </div>
  );
}

function matchesOf(figures: RecipeFigures, here: LoadedKitchen): Match[] {
  const whole = figures.lines.reduce((sum, line) => sum + kcalOf(line), 0);
  return figures.lines
    .filter(({ of }) => of.kind !== 'part')
    .map((one): Match => {
      const { line, of, weights, at } = one;
      const food = of.kind === 'food' ? of.resolved.food : undefined;
      return {
        at,
        line,
        text: line.text ?? lineText(line, food),
        food,
        doubt: food && lineDoubt(line, here.index)?.reason,
        grams: weights?.eaten,
        kcalPer100g: food && per100gOf(food, here.kitchen.convention).energyKcal,
        share: whole > 0 ? kcalOf(one) / whole : 0,
      };
    })
    .sort((a, b) => rank(a) - rank(b) || b.share - a.share);
}

function kcalOf({ counted, nutrients }: LineFigures): number {
  return counted ? (nutrients.energyKcal.amount ?? 0) : 0;
}

function rank({ food, doubt }: Match): number {
  return food === undefined ? 0 : doubt === undefined ? 2 : 1;
}
