import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Food, Settings } from '@portiona/core';
import { api, useBeginKitchenMutation, useGetKitchenQuery, useGetStarterPantryQuery, type BeginningDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { numberText } from '../../ui/numberText';
import { Remark } from '../../ui/Remark';
import { Select } from '../../ui/Select';
import { CURRENCIES, MEASURES, RULES } from '../kitchen/settingChoices';
import { usualOfPlace } from '../kitchen/usualOfPlace';
import { useAppDispatch } from '../recipes/useRecipeState';
import { PastedList } from './PastedList';
import './begin.css';

const NO_FOODS: readonly Food[] = [];

/** The first page of a new kitchen: what it is called and reckons by, what it begins with, and what will become of a pasted list. */
export function BeginPage() {
  const kitchen = useGetKitchenQuery().data;
  const { data: starters, isLoading: coming } = useGetStarterPantryQuery();
  const [language] = useState(() => navigator.language);
  const { usual, known } = usualOfPlace(language);
  const [asked, setAsked] = useState<BeginningDto>({ name: '', ...usual, starterPantry: true, exampleDish: true });
  const [begin, { isLoading }] = useBeginKitchenMutation();
  const [trouble, setTrouble] = useState('');
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const foods = asked.starterPantry ? (starters ?? NO_FOODS) : NO_FOODS;
  const { currency, measures, rules } = asked;
  const date = kitchen?.date ?? '2000-01-01';
  const settings = useMemo((): Settings => ({ currency, measures, rules, staples: 'counted', date }), [currency, measures, rules, date]);
  const change = (next: Partial<BeginningDto>) => setAsked({ ...asked, ...next });
  const start = async () => {
    try {
      await begin({ beginningDto: { ...asked, name: asked.name.trim() } }).unwrap();
      // Known to be begun before another page asks.
      await dispatch(api.endpoints.getKitchen.initiate(undefined, { forceRefetch: true, subscribe: false }));
      dispatch(api.util.invalidateTags(['foods', 'recipes']));
      await navigate(asked.exampleDish ? '/recipes/red-lentil-and-spinach-pot/build' : '/recipes');
    } catch (error) {
      setTrouble(problemText(problemOf(error)));
    }
  };
  return (
    <main className="begin">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void start();
        }}
      >
        <h1>A new kitchen</h1>
        <p className="muted">Three things, and what it begins with. All of it can be changed later.</p>
        <div className="begin-asked">
          <Field label="Its name">
            <Input
              className="font-serif"
              value={asked.name}
              maxLength={200}
              required
              autoFocus
              placeholder="as your readers know it"
              onChange={({ target }) => change({ name: target.value })}
            />
          </Field>
          <Field label="Prices are in">
            <Select value={asked.currency} onChange={({ target }) => change({ currency: target.value })}>
              {CURRENCIES.map(([code, name]) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
            </Select>
          </Field>
          <Field label="Spoons and cups, where a recipe does not say">
            <Select value={asked.measures} onChange={({ target }) => change({ measures: target.value as BeginningDto['measures'] })}>
              {MEASURES.map(([word, text]) => (
                <option key={word} value={word}>
                  {text}
                </option>
              ))}
            </Select>
          </Field>
          <Field label="Rounding and claims on cards">
            <Select value={asked.rules} onChange={({ target }) => change({ rules: target.value as BeginningDto['rules'] })}>
              {RULES.map(([word, text]) => (
                <option key={word} value={word}>
                  {text}
                </option>
              ))}
            </Select>
          </Field>
          <p className="faint text-small">
            {known
              ? `Proposed by your browser’s language, ${language}.`
              : `Your browser’s language, ${language}, says no place that is known here: look these over.`}
          </p>
        </div>
        <fieldset className="begin-with">
          <legend>It begins with</legend>
          <label>
            <input type="checkbox" checked={asked.starterPantry} onChange={({ target }) => change({ starterPantry: target.checked })} />
            <span>
              <b>the starter pantry</b>{' '}
              <span className="muted">
                {starters ? numberText(starters.length, 0) : ''} generic foods with typical values; your products’ labels take their place
              </span>
            </span>
          </label>
          <label>
            <input type="checkbox" checked={asked.exampleDish} onChange={({ target }) => change({ exampleDish: target.checked })} />
            <span>
              <b>a dish to look at</b>{' '}
              <span className="muted">Red lentil and spinach pot, five boxes; take it apart, then put it away</span>
            </span>
          </label>
          {!asked.starterPantry && (
            <Remark tone="warn">
              <span aria-hidden>▲</span> With an empty pantry no line finds a food{asked.exampleDish ? ', but those of the dish' : ''},
              until you bring foods: a table, labels, or the starter pantry later.
            </Remark>
          )}
        </fieldset>
        {trouble !== '' && (
          <Remark tone="bad" role="alert">
            {trouble}
          </Remark>
        )}
        <p className="flex gap-3 items-center">
          <Button kind="main" type="submit" disabled={isLoading || asked.name.trim() === ''}>
            Begin
          </Button>
          <Button asChild kind="quiet">
            <Link to="/pantry/bring">I have a kitchen file or a food table</Link>
          </Button>
        </p>
      </form>
      {coming && asked.starterPantry ? (
        <p className="pasted muted" aria-busy="true">
          What a pasted list becomes is being looked up.
        </p>
      ) : (
        <PastedList foods={foods} settings={settings} />
      )}
    </main>
  );
}
