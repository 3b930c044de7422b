import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import {
  briefJudgements,
  effectsOf,
  placeOf,
  recipeFigures,
  snappedAmounts,
  withChanges,
  type FitAnswer,
  type FitConflict,
  type FitProposal,
  type Kitchen,
  type Recipe,
  type RecipeFigures,
  type TargetJudgement,
} from '@portiona/core';
import { useToast } from '../../ui/Toasts';
import { askedText, figureName, limitText, standingText, targetAmountText, verdictClass, verdictGlyph } from '../briefs/briefWords';
import { recipeActions } from '../recipes/recipeSlice';
import { TracedFigure } from '../recipes/TracedFigure';
import { useAppDispatch } from '../recipes/useRecipeState';
import { FitBounds } from './FitBounds';
import { changeWords, effectWords, lineName } from './fitWords';
import { useFit } from './useFit';
import { Button } from '../../ui/Button';
import { Remark } from '../../ui/Remark';

interface ToBriefProps {
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
}

/** The least change of amounts that keeps to the brief, or why there is none. */
export function ToBrief({ recipe, figures, kitchen }: ToBriefProps) {
  const { fit, working, again } = useFit(recipe, kitchen);
  return (
    <>
      <p className="muted text-small" role="status">
        {working ? 'Working it out' : ''}
      </p>
      <div className={working ? 'opacity-60' : ''}>
        {fit?.failed !== undefined && (
          <Remark tone="bad" role="alert">
            It could not be worked out: {fit.failed === '' ? 'it broke off' : fit.failed}. Nothing was changed.{' '}
            <Button kind="quiet" onClick={again}>
              Try again
            </Button>
          </Remark>
        )}
        {fit?.answer && <Answer key={keyOf(fit.answer)} answer={fit.answer} recipe={fit.of} kitchen={kitchen} figures={figures} />}
      </div>
      <FitBounds figures={figures} kitchen={kitchen} />
    </>
  );
}

/** Choices of lines hold as long as the answer is of the same lines. */
function keyOf(answer: FitAnswer): string {
  const changes = answer.kind === 'proposal' ? answer.changes : answer.kind === 'conflict' ? answer.closest.changes : [];
  return `${answer.kind} ${changes.map(({ at, factor }) => `${at} ${factor}`).join()}`;
}

interface AnswerProps<Kind> {
  readonly answer: Kind;
  readonly recipe: Recipe;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
}

function Answer({ answer, ...rest }: AnswerProps<FitAnswer>) {
  switch (answer.kind) {
    case 'no targets':
      return (
        <p className="muted">
          The brief sets no target yet. <Link to="../brief">Say what the dish is to be</Link>, and amounts can be found that keep to it.
        </p>
      );
    case 'holds':
      return (
        <Remark>
          <span aria-hidden>✓</span> It fits as it is: everything the brief asks of a serving holds, bands and all.
        </Remark>
      );
    case 'nothing moves':
      return <p className="muted">No line may move: all are locked, to taste, optional or without weight. Free one below.</p>;
    case 'unknown':
      return (
        <Remark tone="bad">
          Nobody knows the {answer.targets.map(({ figure }) => figureName(figure).toLowerCase()).join(', ')} of this dish: no food in it
          says. Give its foods that figure first.
        </Remark>
      );
    case 'conflict':
      return <Conflict answer={answer} {...rest} />;
    case 'proposal':
      return <Proposal answer={answer} lead={leadOf(answer)} {...rest} />;
  }
}

function leadOf({ changes, sure, printed, status }: FitProposal): string {
  const lines = `${changes.length} ${changes.length === 1 ? 'line' : 'lines'}`;
  if (changes.length === 0) return 'The figures keep to the brief already; no change within these bounds brings their whole bands inside.';
  if (!printed)
    return `With ${lines} changed the exact amounts keep to the brief, but nobody can measure them: what a card would print misses it, as told below.`;
  const proven = status === 'Optimal' ? ' No smaller change does it: that is proven.' : '';
  return sure
    ? `With ${lines} changed everything holds, bands and all.${proven}`
    : `With ${lines} changed the figures keep to the brief; their bands still reach over it.${proven}`;
}

function Conflict({ answer, ...rest }: AnswerProps<FitConflict>) {
  const { kitchen, figures } = rest;
  const ends = answer.atTheirEnd.map((at) => lineName(figures.lines.find((line) => line.at === at)));
  const alone = answer.targets.length === 1;
  return (
    <>
      <Remark tone="bad" className="mb-2">
        <span aria-hidden>✕</span>{' '}
        {answer.targets.map((target) => `${figureName(target.figure).toLowerCase()} ${targetAmountText(target, kitchen)}`).join(' and ')}{' '}
        {alone ? 'cannot be reached' : 'cannot hold together'} within what the lines may move.
      </Remark>
      <ul className="nearest">
        {answer.nearest.map(({ target, amount }) => (
          <li key={target.figure}>
            {alone ? 'The nearest is' : `With the ${answer.targets.length === 2 ? 'other' : 'others'} kept, the nearest is`}{' '}
            <b>{amount === undefined ? 'unknown' : targetAmountText({ ...target, amount }, kitchen, true)}</b>.
          </li>
        ))}
      </ul>
      {ends.length > 0 && (
        <p className="muted text-small">As far as they may go: {ends.join(', ')}. Let them move further below, or ease the brief.</p>
      )}
      <h3>What comes nearest to all of it</h3>
      <Proposal answer={answer.closest} lead="" {...rest} />
    </>
  );
}

function Proposal({ answer, lead, recipe, figures, kitchen }: AnswerProps<FitProposal> & { readonly lead: string }) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const dispatch = useAppDispatch();
  const say = useToast();
  const taken = useMemo(() => answer.changes.filter(({ at }) => !left.has(at)), [answer, left]);
  const before = useMemo(() => printedFigures(recipe, kitchen), [recipe, kitchen]);
  const then = useMemo(() => printedFigures(withChanges(recipe, taken), kitchen), [recipe, taken, kitchen]);
  const after = useMemo(() => judged(then, recipe, kitchen), [then, recipe, kitchen]);
  const effects = useMemo(
    () =>
      new Map(
        answer.changes.map((change) => {
          const alone = printedFigures(withChanges(recipe, [change]), kitchen);
          return [change.at, { alone, effect: effectsOf(before, alone, kitchen) }];
        }),
      ),
    [answer, before, recipe, kitchen],
  );
  const take = () => {
    dispatch(recipeActions.edited({ recipe: withChanges(recipe, taken) }));
    say(`${taken.length} ${taken.length === 1 ? 'amount' : 'amounts'} changed. Ctrl Z takes it back.`);
  };
  const keep = () => {
    const changed = withChanges(recipe, taken);
    const changes = changed.parts.flatMap((part, p) =>
      part.lines.flatMap((line, l) => (line === recipe.parts[p]?.lines[l] ? [] : [{ at: placeOf(part, l), line }])),
    );
    dispatch(recipeActions.edited({ recipe: { ...recipe, variants: [...(recipe.variants ?? []), { name: 'to the brief', changes }] } }));
    say('Kept as the variant “to the brief”; the dish stays as it is.');
  };
  return (
    <>
      {lead !== '' && <p className="intro">{lead}</p>}
      {answer.changes.length > 0 && (
        <table>
          <thead>
            <tr>
              <th>
                <span className="sr">take</span>
              </th>
              <th style={{ textAlign: 'left' }}>line</th>
              <th>now</th>
              <th>new</th>
              <th style={{ textAlign: 'left' }}>a {recipe.servingName ?? 'serving'}</th>
            </tr>
          </thead>
          <tbody>
            {answer.changes.map((change) => {
              const words = changeWords(change);
              const name = lineName(figures.lines.find(({ at }) => at === change.at));
              const effect = effects.get(change.at);
              return (
                <tr key={change.at} className={left.has(change.at) ? 'faint' : ''}>
                  <td>
                    <input
                      type="checkbox"
                      aria-label={`Take ${name}`}
                      checked={!left.has(change.at)}
                      onChange={() => setLeft(toggled(left, change.at))}
                    />
                  </td>
                  <td>{name}</td>
                  <td className="num">{words.from}</td>
                  <td className="num font-semibold">{words.to}</td>
                  <td>
                    {effect && (
                      <TracedFigure figure="energyKcal" figures={effect.alone} of={`the dish with ${words.to} ${name}`} className="muted">
                        {effectWords(effect.effect, kitchen)}
                      </TracedFigure>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      <p className="faint text-small mt-2">Now and then, as a card prints it:</p>
      <ul className="outcome" aria-label="What the brief asks, now and then">
        {answer.before.map((judgement, i) => (
          <Outcome key={i} before={judgement} after={after[i]} figures={before} then={then} kitchen={kitchen} />
        ))}
      </ul>
      {answer.changes.length > 0 && (
        <p className="flex gap-3 items-center mt-2">
          <Button kind="main" disabled={taken.length === 0} onClick={take}>
            {taken.length === answer.changes.length
              ? taken.length === 1
                ? 'Take it'
                : `Take all ${taken.length}`
              : `Take ${taken.length} of ${answer.changes.length}`}
          </Button>
          <Button disabled={taken.length === 0} onClick={keep}>
            Keep as a variant
          </Button>
          {!answer.rounded && <span className="faint text-small">Amounts are exact: none that is easily weighed keeps to the brief.</span>}
        </p>
      )}
    </>
  );
}

function Outcome({
  before,
  after,
  figures,
  then,
  kitchen,
}: {
  readonly before: TargetJudgement;
  readonly after: TargetJudgement | undefined;
  readonly figures: RecipeFigures;
  /** Of the dish with what is taken of the proposal. */
  readonly then: RecipeFigures;
  readonly kitchen: Kitchen;
}) {
  const shown = after ?? before;
  return (
    <li>
      <span className={verdictClass(shown.verdict)} aria-hidden>
        {verdictGlyph(shown.verdict)}
      </span>
      <span>
        {figureName(before.target.figure)} {limitText(before.target, kitchen)}
        {before.target.wish && <span className="faint"> wished</span>}
        <span className="sr">, {askedText(before, kitchen)}</span>
      </span>
      <TracedFigure figure={before.target.figure} figures={figures} of="the dish as it is" className="faint num">
        {standingText(before, kitchen)}
      </TracedFigure>
      <span aria-hidden className="faint">
        →
      </span>
      <TracedFigure figure={before.target.figure} figures={then} of="the dish as proposed" className={`num ${verdictClass(shown.verdict)}`}>
        {standingText(shown, kitchen)}
      </TracedFigure>
    </li>
  );
}

/** Of the amounts that a card prints: what readers weigh. */
function printedFigures(recipe: Recipe, kitchen: Kitchen): RecipeFigures {
  return recipeFigures(snappedAmounts(recipe).recipe, kitchen);
}

function judged(figures: RecipeFigures, { brief }: Recipe, kitchen: Kitchen): TargetJudgement[] {
  const targets = brief?.targets ?? [];
  return briefJudgements(figures, { targets }, kitchen).filter((one) => one.kind === 'target');
}

function toggled(set: ReadonlySet<string>, one: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(one)) next.add(one);
  return next;
}
