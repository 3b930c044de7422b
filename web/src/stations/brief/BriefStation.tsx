import { useMemo, useState, type ReactNode } from 'react';
import { Plus } from 'lucide-react';
import {
  ALLERGENS,
  allergenWord,
  briefJudgements,
  type BoundJudgement,
  type Brief,
  type NamedBrief,
  type Target,
  type TargetJudgement,
} from '@portiona/core';
import { useChangeSettingsMutation, useGetKitchenQuery } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { OFFERED_FIGURES, usualTarget, verdictClass, verdictGlyph } from '../../features/briefs/briefWords';
import { recipeActions } from '../../features/recipes/recipeSlice';
import { useAppDispatch } from '../../features/recipes/useRecipeState';
import { NumberField } from '../../ui/NumberField';
import { useToast } from '../../ui/Toasts';
import { useStation } from '../station';
import { Meeting } from './Meeting';
import { TargetRow } from './TargetRow';
import { Ledger } from '../../ui/Ledger';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { ChipButton } from '../../ui/ChipButton';
import { Select } from '../../ui/Select';
import './brief.css';

const NOTHING: Brief = {};
/** Groups of allergens a reader may have to avoid; what belongs to a group is avoided with it. */
const AVOIDABLE = ALLERGENS.slice(0, ALLERGENS.indexOf('wheat'));
/** What the dish is to be: targets and limits per serving, each with how the dish stands to it now. */
export function BriefStation() {
  const { recipe, here, computed } = useStation();
  const dispatch = useAppDispatch();
  const brief = recipe.brief ?? NOTHING;
  const judgements = useMemo(() => (computed.ok ? briefJudgements(computed.figures, brief, here.kitchen) : []), [computed, brief, here]);
  const targets = judgements.filter((one): one is TargetJudgement => one.kind === 'target');
  const boundOf = (of: BoundJudgement['of']) => judgements.find((one): one is BoundJudgement => one.kind === 'bound' && one.of === of);
  const write = (next: Brief, mergeKey?: string) => {
    const kept = Object.fromEntries(
      Object.entries(next).filter(([, asked]) => asked !== undefined && (!Array.isArray(asked) || asked.length > 0)),
    ) as Brief;
    const { brief: _, ...rest } = recipe;
    dispatch(
      recipeActions.edited({
        recipe: Object.keys(kept).length === 0 ? rest : { ...rest, brief: kept },
        ...(mergeKey === undefined ? {} : { mergeKey }),
      }),
    );
  };
  const setTargets = (next: readonly Target[], mergeKey?: string) => write({ ...brief, targets: next }, mergeKey);
  const all = brief.targets ?? [];
  const unused = OFFERED_FIGURES.find((figure) => !all.some((target) => target.figure === figure)) ?? 'energyKcal';
  return (
    <div className="sheet">
      <div className="sheet-bar">
        <Kept brief={brief} onTake={(taken) => write(taken)} />
      </div>
      <h2 className="brief-head">Per {recipe.servingName ?? 'serving'}</h2>
      {all.length === 0 && (
        <p className="muted mb-2">
          Nothing is asked yet. Set what a {recipe.servingName ?? 'serving'} is to deliver and to cost, and the docket holds the dish to it.
        </p>
      )}
      {all.length > 0 && (
        <Ledger className="targets">
          {all.map((target, i) => (
            <TargetRow
              key={i}
              target={target}
              judgement={targets[i]}
              onChange={(next) =>
                setTargets(
                  all.map((one, at) => (at === i ? next : one)),
                  `target ${i}`,
                )
              }
              onRemove={() => setTargets(all.filter((_, at) => at !== i))}
            />
          ))}
        </Ledger>
      )}
      <Button className="mt-2" onClick={() => setTargets([...all, usualTarget(unused)])}>
        <Plus size={14} /> Target
      </Button>

      <h2 className="brief-head">Box, time and keeping</h2>
      <div className="brief-grid">
        <Bound judgement={boundOf('box volume')}>
          <NumberField
            label="Box holds, ml"
            amount={brief.boxVolume}
            onChange={(boxVolume) => write(withOr(brief, 'boxVolume', boxVolume), 'boxVolume')}
          />
        </Bound>
        <Bound judgement={boundOf('active time')}>
          <NumberField
            label="At the stove, minutes at most"
            amount={brief.activeMinutes}
            onChange={(minutes) => write(withOr(brief, 'activeMinutes', minutes), 'active')}
          />
        </Bound>
        <Bound judgement={boundOf('total time')}>
          <NumberField
            label="From start to finish, minutes at most"
            amount={brief.totalMinutes}
            onChange={(minutes) => write(withOr(brief, 'totalMinutes', minutes), 'total')}
          />
        </Bound>
        <Bound judgement={boundOf('fridge')}>
          <NumberField
            label="Keeps in the fridge, days at least"
            amount={brief.fridgeDays}
            onChange={(days) => write(withOr(brief, 'fridgeDays', days), 'fridge')}
          />
        </Bound>
        <Bound judgement={boundOf('freezer')}>
          <label className="flex gap-2 items-center pt-5">
            <input
              type="checkbox"
              checked={brief.freezes ?? false}
              onChange={({ target }) => write(withOr(brief, 'freezes', target.checked ? true : undefined))}
            />{' '}
            has to freeze
          </label>
        </Bound>
        <Field label="What the cook has">
          <Input
            key={recipe.id}
            defaultValue={(brief.equipment ?? []).join(', ')}
            placeholder="oven, one pot of 4 l"
            maxLength={400}
            onBlur={({ target }) => write(withOr(brief, 'equipment', listOf(target.value)))}
          />
        </Field>
      </div>

      <h2 className="brief-head">Who it is for</h2>
      <Field label="The reader">
        <Input
          key={recipe.id}
          defaultValue={brief.audience ?? ''}
          placeholder="on night shifts, eats cold at three in the morning"
          maxLength={500}
          onBlur={({ target }) => write(withOr(brief, 'audience', target.value.trim() || undefined))}
        />
      </Field>
      <Avoided
        name="Keep out, allergens"
        words={AVOIDABLE}
        wordOf={allergenWord}
        on={brief.avoidAllergens ?? []}
        judgement={boundOf('allergens')}
        onChange={(next) => write(withOr(brief, 'avoidAllergens', next))}
      />
      <Avoided
        name="Keep out, foods by aisle"
        words={[...new Set(here.foods.flatMap((food) => food.aisle ?? []))].sort()}
        wordOf={(aisle) => aisle.replace(/-/g, ', ')}
        on={brief.avoidGroups ?? []}
        judgement={boundOf('foods')}
        onChange={(next) => write(withOr(brief, 'avoidGroups', next))}
      />
      <Meeting brief={brief} own={recipe.id} />
    </div>
  );
}

/** A brief with something asked, or not asked any more. */
function withOr<Key extends keyof Brief>(brief: Brief, key: Key, asked: Brief[Key] | undefined): Brief {
  const { [key]: _, ...rest } = brief;
  return asked === undefined ? rest : { ...rest, [key]: asked };
}

function listOf(text: string): readonly string[] | undefined {
  const words = text
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);
  return words.length === 0 ? undefined : words;
}

function Bound({ judgement, children }: { readonly judgement: BoundJudgement | undefined; readonly children: ReactNode }) {
  return (
    <div>
      {children}
      {judgement && (
        <p className={`text-small mt-0.5 ${verdictClass(judgement.verdict)}`}>
          <span aria-hidden>{verdictGlyph(judgement.verdict)}</span> {judgement.is}
        </p>
      )}
    </div>
  );
}

interface AvoidedProps<Word extends string> {
  readonly name: string;
  readonly words: readonly Word[];
  readonly wordOf: (word: Word) => string;
  readonly on: readonly Word[];
  readonly judgement: BoundJudgement | undefined;
  readonly onChange: (on: readonly Word[]) => void;
}

function Avoided<Word extends string>({ name, words, wordOf, on, judgement, onChange }: AvoidedProps<Word>) {
  const toggle = (word: Word) => onChange(words.filter((one) => (one === word ? !on.includes(one) : on.includes(one))));
  return (
    <div className="mt-3">
      <p className="muted text-small mb-1">
        {name}
        {judgement && (
          <span className={`ml-2 ${verdictClass(judgement.verdict)}`}>
            <span aria-hidden>{verdictGlyph(judgement.verdict)}</span> {judgement.is}
          </span>
        )}
      </p>
      <div className="flex flex-wrap gap-1" role="group" aria-label={name}>
        {words.map((word) => (
          <ChipButton
            key={word}
            tone={on.includes(word) ? 'warn' : undefined}
            aria-pressed={on.includes(word)}
            onClick={() => toggle(word)}
          >
            {on.includes(word) && 'no '}
            {wordOf(word)}
          </ChipButton>
        ))}
      </div>
    </div>
  );
}

/** Briefs of the kitchen: taken for this dish, or kept from it. */
function Kept({ brief, onTake }: { readonly brief: Brief; readonly onTake: (brief: Brief) => void }) {
  const kept: readonly NamedBrief[] = useGetKitchenQuery().data?.briefs ?? [];
  const [save] = useChangeSettingsMutation();
  const [name, setName] = useState<string>();
  const say = useToast();
  const keep = async (as: string) => {
    try {
      await save({
        settingsDto: { briefs: [...kept.filter((one) => one.name !== as), { name: as, brief }].sort((a, b) => (a.name < b.name ? -1 : 1)) },
      }).unwrap();
      say(`“${as}” is kept for the next dish.`);
      setName(undefined);
    } catch (error) {
      say(problemText(problemOf(error)));
    }
  };
  return (
    <>
      {kept.length > 0 && (
        <Select
          aria-label="Take a kept brief"
          value=""
          onChange={({ target }) => {
            const taken = kept.find((one) => one.name === target.value);
            if (taken) onTake(taken.brief);
          }}
        >
          <option value="">Take a kept brief</option>
          {kept.map((one) => (
            <option key={one.name}>{one.name}</option>
          ))}
        </Select>
      )}
      {name === undefined ? (
        <Button disabled={Object.keys(brief).length === 0} onClick={() => setName('')}>
          Keep this brief
        </Button>
      ) : (
        <form
          className="flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim() !== '') void keep(name.trim());
          }}
        >
          <Input
            aria-label="Name of the brief"
            autoFocus
            maxLength={80}
            value={name}
            onChange={({ target }) => setName(target.value)}
            placeholder="Night shift, under 550"
          />
          <Button kind="main" disabled={name.trim() === ''}>
            Keep
          </Button>
        </form>
      )}
    </>
  );
}
