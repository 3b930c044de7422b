import { Link, useSearchParams } from 'react-router';
import {
  indexText,
  indexWorking,
  NUTRIENTS,
  nutrientName,
  unitOf,
  type Kitchen,
  type LabelNutrient,
  type RecipeFigures,
} from '@portiona/core';
import { docketText, leastText, numberText } from '../ui/numberText';
import { Button } from '../ui/Button';

/** How the kitchen's own figure comes about: each figure its formula names, what it comes to, how it is rounded. */
export function IndexWorking({ figures, kitchen }: { readonly figures: RecipeFigures; readonly kitchen: Kitchen }) {
  const { index } = kitchen.settings;
  const [params] = useSearchParams();
  if (!index) return <p>The kitchen has no figure of its own. The kitchen&rsquo;s settings give it one.</p>;
  const { terms, unrounded, rounded } = indexWorking(index, figures.perServing, kitchen.convention);
  const serving = figures.recipe.servingName ?? 'serving';
  return (
    <>
      <h2>
        {index.name}, {rounded.amount === undefined ? 'unknown' : indexText(rounded.amount, index)} a {serving}
      </h2>
      <p className="intro break-words">The kitchen&rsquo;s own figure: {index.formula}. It is set in the kitchen&rsquo;s settings.</p>
      <table>
        <thead>
          <tr>
            <th>figure of a {serving}</th>
            <th>unrounded</th>
            <th style={{ textAlign: 'left' }}>unit</th>
          </tr>
        </thead>
        <tbody>
          {terms.map(({ name, figure }) => (
            <tr key={name}>
              <td>
                <Button asChild kind="quiet">
                  <Link to={`?${inPanel(params, panelOf(name))}`}>{wordsOf(name)}</Link>
                </Button>
              </td>
              <td className="num">{figure.amount === undefined ? 'unknown' : `${leastText(figure)}${numberText(figure.amount, 3)}`}</td>
              <td className="src">{unitWordOf(name, kitchen)}</td>
            </tr>
          ))}
          <tr className="sum">
            <td>unrounded</td>
            <td className="num">{unrounded === undefined ? 'unknown' : numberText(unrounded, 3)}</td>
            <td />
          </tr>
          <tr>
            <td>
              the card prints{' '}
              <span className="src">{index.step === undefined ? 'to one decimal' : `to the nearest ${docketStep(index.step)}`}</span>
            </td>
            <td className="num">{rounded.amount === undefined ? 'not known' : indexText(rounded.amount, index)}</td>
            <td />
          </tr>
        </tbody>
      </table>
      {rounded.gaps.length > 0 && (
        <p className="hint">
          A figure in it is “at least”: what is lacking could move it either way. Open that figure to see what is missing.
        </p>
      )}
    </>
  );
}

function docketStep(step: number): string {
  return Number.isInteger(step) ? docketText(step).replace(/\.0$/, '') : String(step);
}

function inPanel(params: URLSearchParams, panel: string): string {
  const next = new URLSearchParams(params);
  next.set('working', panel);
  return next.toString();
}

/** The working that shows where a figure of a formula comes from; a ratio leads to the figure above its line. */
function panelOf(name: string): string {
  return { cost: 'usedCost', kcalPer100g: 'energyKcal', proteinPer100kcal: 'protein' }[name] ?? name;
}

const RATIOS: Readonly<Record<string, readonly [words: string, unit: string]>> = {
  kcalPer100g: ['Energy in 100 g', 'kcal'],
  proteinPer100kcal: ['Protein in 100 kcal', 'g'],
  salt: ['Salt', 'g'],
  weight: ['Weight', 'g'],
};

function wordsOf(name: string): string {
  return RATIOS[name]?.[0] ?? (name === 'cost' ? 'Cost, used' : isNutrient(name) ? nutrientName(name) : name);
}

function unitWordOf(name: string, kitchen: Kitchen): string {
  return RATIOS[name]?.[1] ?? (name === 'cost' ? kitchen.settings.currency : isNutrient(name) ? unitOf(name) : '');
}

function isNutrient(name: string): name is Exclude<LabelNutrient, 'salt'> {
  return (NUTRIENTS as readonly string[]).includes(name);
}
