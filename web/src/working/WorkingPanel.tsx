import { currencySign, workingOf, type FoodIndex, type Kitchen, type RecipeFigures, type WorkedFigure } from '@portiona/core';
import { docketText, leastText, numberText, priceText } from '../ui/numberText';
import { SidePanel } from '../ui/SidePanel';
import { ClaimsPanel } from './ClaimsPanel';
import type { FiguresPanel } from './panelName';
import { IndexWorking } from './IndexWorking';
import { Spread } from './Spread';
import { TillWorking } from './TillWorking';
import { WorkingGaps } from './WorkingGaps';
import { WorkingPart } from './WorkingPart';
import { bandText, dailyText, endsText, introOf, nameOf, printedText, roundingOf } from './workingTexts';
import { Button } from '../ui/Button';

interface WorkingProps {
  readonly figure: FiguresPanel;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  /** What unsure lines may mean instead. */
  readonly index: FoodIndex;
  /** What the dish is called, where it is not the one on the desk: closing leads back to where it was pressed. */
  readonly of?: string;
  readonly onClose: () => void;
}

/** Where every number came from: line by line, as written, eaten, per 100 g, contribution, and what was rounded when. */
export function WorkingPanel(props: WorkingProps) {
  const { figure, figures, kitchen, of, onClose } = props;
  return (
    <SidePanel label={labelOf(figure, kitchen)} subject={figure} onClose={onClose}>
      {of !== undefined && (
        <p className="text-small mb-1">
          <Button kind="quiet" onClick={onClose}>
            ← Back
          </Button>{' '}
          <span className="muted">Of {of}:</span>
        </p>
      )}
      {figure === 'claims' ? (
        <ClaimsPanel figures={figures} />
      ) : figure === 'index' ? (
        <IndexWorking figures={figures} kitchen={kitchen} />
      ) : figure === 'tillCost' ? (
        <TillWorking figures={figures} kitchen={kitchen} />
      ) : (
        <FigureWorking {...props} figure={figure} />
      )}
    </SidePanel>
  );
}

function labelOf(figure: FiguresPanel, { settings }: Kitchen): string {
  if (figure === 'claims') return 'Claims';
  return `Working of ${figure === 'index' ? (settings.index?.name ?? 'the kitchen’s own figure') : nameOf(figure)}`;
}

function FigureWorking({ figure, figures, kitchen, index }: WorkingProps & { readonly figure: Exclude<WorkedFigure, 'tillCost'> }) {
  const working = workingOf(figure, figures, kitchen);
  const money = figure === 'usedCost';
  const show = (amount: number) => (money ? priceText(amount, kitchen.settings.currency) : docketText(amount));
  const serving = figures.recipe.servingName ?? 'serving';
  return (
    <>
      <h2>
        {nameOf(figure)}, {leastText(working.serving)}
        {working.serving.amount === undefined
          ? 'unknown'
          : money
            ? priceText(working.serving.amount, kitchen.settings.currency)
            : `${docketText(working.serving.amount)} ${working.unit}`}{' '}
        a {serving}
      </h2>
      <p className="intro">
        {introOf(working)} {bandText(figure, figures, kitchen, index)} {endsText(figure, figures, kitchen)}
      </p>
      <table>
        <thead>
          <tr>
            <th>line</th>
            <th>{money ? 'bought' : 'eaten'}</th>
            <th>{figure === 'weight' ? '' : money ? `${currencySign(kitchen.settings.currency)} a kg` : 'per 100 g'}</th>
            <th style={{ textAlign: 'left' }}>from</th>
            <th>batch</th>
            <th>{serving}</th>
          </tr>
        </thead>
        <tbody>
          {working.parts.map(({ part, lines }) => (
            <WorkingPart
              key={part.part.id}
              part={part}
              lines={lines}
              figure={figure}
              kitchen={kitchen}
              show={show}
              many={working.parts.length > 1}
            />
          ))}
          <tr className="sum">
            <td>unrounded</td>
            <td />
            <td />
            <td />
            <td className="num">{working.batch.amount === undefined ? '' : numberText(working.batch.amount, money ? 4 : 2)}</td>
            <td className="num">{working.serving.amount === undefined ? '' : numberText(working.serving.amount, money ? 4 : 3)}</td>
          </tr>
          {printedText(working, kitchen) !== undefined && (
            <tr>
              <td>
                the card prints <span className="src">{roundingOf(kitchen)}</span>
                {dailyText(working, kitchen)}
              </td>
              <td />
              <td />
              <td />
              <td />
              <td className="num">{printedText(working, kitchen)}</td>
            </tr>
          )}
        </tbody>
      </table>
      {working.serving.gaps.length > 0 && <WorkingGaps working={working} />}
      {!money && figure !== 'weight' && working.serving.amount !== undefined && (
        <Spread figures={figures} figure={figure} unit={working.unit} convention={kitchen.convention} />
      )}
      <p className="src mt-2">Figures are estimates for healthy adults, not medical advice.</p>
    </>
  );
}
