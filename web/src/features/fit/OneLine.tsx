import { useMemo, useState } from 'react';
import {
  recipeFigures,
  singleLineChanges,
  withChanges,
  type BriefFigure,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
} from '@portiona/core';
import { useToast } from '../../ui/Toasts';
import { figureName, figureUnit, OFFERED_FIGURES } from '../briefs/briefWords';
import { recipeActions } from '../recipes/recipeSlice';
import { TracedFigure } from '../recipes/TracedFigure';
import { useAppDispatch } from '../recipes/useRecipeState';
import { changeWords, effectWords, lineName } from './fitWords';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Select } from '../../ui/Select';
import { Button } from '../../ui/Button';

interface OneLineProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
}

/** Which single line to change for so much less or more of a figure, and what each choice costs. */
export function OneLine({ recipe, figures, kitchen }: OneLineProps) {
  const [figure, setFigure] = useState<BriefFigure>('energyKcal');
  const [text, setText] = useState('-60');
  const dispatch = useAppDispatch();
  const say = useToast();
  const by = Number(text.replace(',', '.').replace('−', '-'));
  const choices = useMemo(() => (Number.isFinite(by) ? singleLineChanges(recipe, figure, by, kitchen) : []), [recipe, figure, by, kitchen]);
  const serving = recipe.servingName ?? 'serving';
  return (
    <>
      <div className="flex gap-2 items-end my-2">
        <Field label={<>Change a {serving} by</>}>
          <Input
            className="num w-[90px]"
            value={text}
            inputMode="text"
            aria-invalid={!Number.isFinite(by)}
            onChange={({ target }) => setText(target.value)}
          />
        </Field>
        <Field label="of">
          <Select value={figure} onChange={({ target }) => setFigure(target.value as BriefFigure)}>
            {OFFERED_FIGURES.map((one) => (
              <option key={one} value={one}>
                {figureName(one)}, {figureUnit(one, kitchen.settings.currency)}
              </option>
            ))}
          </Select>
        </Field>
      </div>
      {choices.length === 0 ? (
        <p className="muted">No line can do that by itself{Number.isFinite(by) ? '' : ': say by how much, such as −60'}.</p>
      ) : (
        <table>
          <thead>
            <tr>
              <th>line</th>
              <th>now</th>
              <th>new</th>
              <th style={{ textAlign: 'left' }}>what it does to a {serving}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {choices.map(({ change, far, effects }) => {
              const words = changeWords(change);
              const name = lineName(figures.lines.find(({ at }) => at === change.at));
              return (
                <tr key={change.at}>
                  <td>{name}</td>
                  <td className="num">{words.from}</td>
                  <td className={`num font-semibold ${far ? 'warn' : ''}`}>
                    {far && <span className="sr">far: </span>}
                    {words.to}
                  </td>
                  <td>
                    <TracedFigure
                      figure={figure}
                      figures={recipeFigures(withChanges(recipe, [change]), kitchen)}
                      of={`the dish with ${words.to} ${name}`}
                      className="muted"
                    >
                      {effectWords(effects, kitchen)}
                    </TracedFigure>
                  </td>
                  <td>
                    <Button
                      kind="quiet"
                      aria-label={`Change ${name} to ${words.to}`}
                      onClick={() => {
                        dispatch(recipeActions.edited({ recipe: withChanges(recipe, [change]) }));
                        say(`${name} is ${words.to} now. Ctrl Z takes it back.`);
                      }}
                    >
                      take
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {choices.some(({ far }) => far) && (
        <p className="faint text-small mt-2">What is coloured is more than half as much again, or less than half: another dish.</p>
      )}
    </>
  );
}
