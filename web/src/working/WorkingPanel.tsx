import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { X } from 'lucide-react';
import {
  bandOf,
  cardText,
  currencySign,
  dayText,
  edibleShare,
  endsOf,
  figureKey,
  moneyText,
  NUTRIENT_DESCRIPTIONS,
  SALT_GRAMS_PER_SODIUM_MG,
  shareOfDailyValue,
  servedOf,
  workingOf,
  yieldOf,
  type FigureKey,
  type Gap,
  type Kitchen,
  type PartFigures,
  type RecipeFigures,
  type WorkedFigure,
  type Working,
  type WorkingLine,
} from '@portiona/core';
import { docketText, leastText, numberText, priceText } from '../ui/numberText';
import { ClaimsPanel } from './ClaimsPanel';
import type { PanelName } from './panelName';
import { Spread } from './Spread';
import { TillWorking } from './TillWorking';

interface WorkingProps {
  readonly figure: PanelName;
  readonly figures: RecipeFigures;
  readonly kitchen: Kitchen;
  readonly onClose: () => void;
}

/** Where every number came from: line by line, as written, eaten, per 100 g, contribution, and what was rounded when. */
export function WorkingPanel(props: WorkingProps) {
  const { figure, figures, kitchen, onClose } = props;
  const ref = useRef<HTMLElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onClose]);
  useEffect(() => {
    ref.current?.scrollTo(0, 0);
  }, [figure]);
  return (
    <section className="working" aria-label={figure === 'claims' ? 'Claims' : `Working of ${nameOf(figure)}`} ref={ref} tabIndex={0}>
      <button className="icon float-right" onClick={onClose} aria-label="Close the working">
        <X size={16} />
      </button>
      {figure === 'claims' ? (
        <ClaimsPanel figures={figures} />
      ) : figure === 'tillCost' ? (
        <TillWorking figures={figures} kitchen={kitchen} />
      ) : (
        <FigureWorking {...props} figure={figure} />
      )}
    </section>
  );
}

function FigureWorking({ figure, figures, kitchen }: WorkingProps & { readonly figure: Exclude<WorkedFigure, 'tillCost'> }) {
  const working = workingOf(figure, figures, kitchen);
  const money = figure === 'usedCost';
  const show = (amount: number) => (money ? moneyText(amount, kitchen.settings.currency) : docketText(amount));
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
        {introOf(working)} {bandText(figure, figures, kitchen)} {endsText(figure, figures, kitchen)}
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
            <PartRows
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
      {working.serving.gaps.length > 0 && <Gaps working={working} />}
      {!money && figure !== 'weight' && working.serving.amount !== undefined && (
        <Spread
          figures={figures}
          figureKey={keyOf(figure, kitchen)}
          unit={working.unit}
          times={figure === 'salt' ? SALT_GRAMS_PER_SODIUM_MG : 1}
        />
      )}
      <p className="src mt-2">Figures are estimates for healthy adults, not medical advice.</p>
    </>
  );
}

function PartRows({
  part,
  lines,
  figure,
  kitchen,
  show,
  many,
}: {
  readonly part: PartFigures;
  readonly lines: readonly WorkingLine[];
  readonly figure: WorkedFigure;
  readonly kitchen: Kitchen;
  readonly show: (amount: number) => string;
  readonly many: boolean;
}) {
  const nothing = lines.filter(({ batch }) => batch === 0);
  const ordered = lines.filter(({ batch }) => batch !== 0).sort((a, b) => Math.abs(b.batch ?? Infinity) - Math.abs(a.batch ?? Infinity));
  return (
    <>
      {many && (
        <tr className="of">
          <td colSpan={6}>
            {part.part.name}: {shareText(part)}
          </td>
        </tr>
      )}
      {ordered.map((line) => (
        <tr key={line.at}>
          <td>
            <LineName line={line} figure={figure} />
            {pathText(line, figure) !== '' && <span className="src block">{pathText(line, figure)}</span>}
          </td>
          <td className="num">{weightText(line, figure)}</td>
          <td className="num">{rateText(line, figure, kitchen)}</td>
          <td className="src">{sourceText(line, figure)}</td>
          <td className="num">{line.batch === undefined ? <b className="warn">?</b> : show(line.batch)}</td>
          <td className="num">{line.serving === undefined ? '' : show(line.serving)}</td>
        </tr>
      ))}
      {nothing.length > 0 && (
        <tr>
          <td colSpan={4} className="src">
            nothing from {nothing.map(({ name }) => name.split(',')[0]?.toLowerCase()).join(', ')}
          </td>
          <td className="num faint">{show(0)}</td>
          <td className="num faint">{show(0)}</td>
        </tr>
      )}
      {figure === 'weight' && (
        <tr>
          <td>
            {part.part.name} {part.estimated ? 'by yield, less what is thrown away' : 'as weighed'}{' '}
            <span className="src">{shareText(part)}</span>
          </td>
          <td />
          <td />
          <td />
          <td className="num">{show(part.cooked)}</td>
          <td className="num">{show(part.share.portion)}</td>
        </tr>
      )}
    </>
  );
}

function LineName({ line, figure }: { readonly line: WorkingLine; readonly figure: WorkedFigure }) {
  const food = line.figures.of.kind === 'food' ? line.figures.of.basis.food : undefined;
  if (!food) return <>{line.name}</>;
  return (
    <Link to={`/pantry/${food.id}?show=${figure}`}>
      {line.takenAway && 'less '}
      {line.name}
    </Link>
  );
}

/** From as written to eaten, in words: "2 × 125 g, less 10 % peel". */
function pathText({ figures: { line, weights, of } }: WorkingLine, figure: WorkedFigure): string {
  if (!weights || of.kind !== 'food') return '';
  const { food } = of.basis;
  const steps: string[] = [];
  const written = line.text ?? '';
  if (weights.unit && weights.unit.from !== 'mass')
    steps.push(
      `${written === '' ? '' : `${written.split(',')[0]}: `}${numberText(weights.grams, weights.grams < 20 ? 1 : 0)} g${weights.unit.from === 'kitchen word' ? ' by eye' : ''}`,
    );
  if (line.amount === undefined) steps.push(`${numberText(weights.grams, 1)} g assumed`);
  if (figure === 'usedCost') {
    if (weights.purchase > weights.grams * 1.001)
      steps.push(`buy ${numberText(weights.purchase, 0)} g for ${numberText(weights.edible, 0)} g`);
    return steps.join(', ');
  }
  const lost = 1 - edibleShare(food);
  if (weights.edible < weights.grams * 0.999 && lost > 0)
    steps.push(`less ${numberText(lost * 100, 0)} % ${food.drained === undefined ? 'not eaten' : 'liquid'}`);
  if (line.state === 'cooked' && food.state !== 'cooked')
    steps.push(`÷ ${yieldOf(food, line.cooking)} ${line.cooking ?? 'cooked'} to ${food.state ?? 'raw'}`);
  if (line.retained !== undefined && line.retained < 1) steps.push(`${numberText(line.retained * 100, 0)} % kept`);
  return steps.join(', ');
}

function weightText({ figures: { weights } }: WorkingLine, figure: WorkedFigure): string {
  if (!weights) return '';
  const grams = figure === 'usedCost' ? weights.purchase : weights.eaten;
  return `${numberText(grams, grams < 20 ? 1 : 0)} g`;
}

function rateText({ per100g }: WorkingLine, figure: WorkedFigure, kitchen: Kitchen): string {
  if (per100g === undefined) return '';
  return figure === 'usedCost' ? moneyText(per100g * 10, kitchen.settings.currency) : numberText(per100g, per100g < 10 ? 2 : 1);
}

function sourceText({ source, gap, figures: { of } }: WorkingLine, figure: WorkedFigure): string {
  if (gap) return GAPS[gap];
  if (figure === 'usedCost') {
    const pack = of.kind === 'food' ? of.basis.best?.pack : undefined;
    return pack ? `${pack.shop}, ${dayText(pack.seen, false)}` : '';
  }
  return figure === 'weight' ? '' : (source ?? 'another recipe');
}

const GAPS: Readonly<Record<Gap, string>> = {
  'no food': 'no food chosen',
  'no weight': 'no weight',
  'not on the label': 'not known',
  'no price': 'no price',
  'base incomplete': 'base lacks it',
};

/** What is missing, and the way to where it is mended. */
function Gaps({ working }: { readonly working: Working }) {
  const lines = working.parts.flatMap(({ lines: all }) => all.filter(({ gap }) => gap));
  return (
    <div className="hint">
      <span>
        “At least”: {lines.length === 1 ? 'one line says' : `${lines.length} lines say`} nothing.{' '}
        {lines.map(({ at, name, gap, figures: { of } }, i) => (
          <span key={at}>
            {i > 0 && '; '}
            {of.kind === 'food' ? (
              <Link
                className="btn-quiet"
                to={`/pantry/${of.basis.food.id}?show=${gap === 'no price' ? 'usedCost' : gap === 'no weight' ? 'measures' : working.figure}`}
              >
                {name}
              </Link>
            ) : (
              name
            )}{' '}
            ({gap ? GAPS[gap] : ''})
          </span>
        ))}
      </span>
    </div>
  );
}

function introOf({ parts }: Working): string {
  if (parts.length !== 1) return `${parts.length} parts in the box.`;
  const [only] = parts;
  return only ? `${only.part.part.name}: ${shareText(only.part)}.` : '';
}

/** How a part is shared out, in words. */
export function shareText({ part, share, cooked, estimated }: PartFigures): string {
  const whole = `${numberText(cooked, 0)} g (${estimated ? 'estimated' : 'weighed'})`;
  const { portion } = part;
  const over = share.surplus > 0.5 ? `, ${numberText(share.surplus, 0)} g over` : '';
  if (portion?.by === 'grams') return `${numberText(portion.grams, 0)} g a box of ${whole}${over}`;
  if (portion?.by === 'pieces') return `${numberText(portion.each, 0)} of ${numberText(portion.made, 0)} pieces, ${whole}${over}`;
  if (portion?.by === 'volume') return `${numberText(portion.each, 0)} of ${numberText(portion.made, 0)} ml, ${whole}${over}`;
  return `equal shares of ${whole}`;
}

function bandText(figure: WorkedFigure, figures: RecipeFigures, kitchen: Kitchen): string {
  if (figure === 'usedCost' || figure === 'weight' || figure === 'tillCost') return '';
  const band = bandOf(boxOf(figures), keyOf(figure, kitchen));
  return band ? `Band ${shown(band[0], figure)} to ${shown(band[1], figure)}.` : '';
}

/** What readers get who take least and most of what the recipe leaves open. */
function endsText(figure: WorkedFigure, figures: RecipeFigures, kitchen: Kitchen): string {
  if (figure === 'usedCost' || figure === 'weight' || figure === 'tillCost') return '';
  const ends = endsOf(boxOf(figures), keyOf(figure, kitchen));
  if (!ends || ends[1] - ends[0] < 1e-6 * ends[1] || shown(ends[0], figure) === shown(ends[1], figure)) return '';
  return `Ranges and “to taste” from least to most: ${shown(ends[0], figure)} to ${shown(ends[1], figure)}.`;
}

function boxOf({ parts }: RecipeFigures): RecipeFigures['parts'] {
  return parts.filter(({ part }) => servedOf(part) === 'box');
}

function keyOf(figure: Exclude<WorkedFigure, 'usedCost' | 'weight' | 'tillCost'>, kitchen: Kitchen): FigureKey {
  return figure === 'salt' ? 'sodium' : figureKey(figure, kitchen.convention);
}

function shown(amount: number, figure: WorkedFigure): string {
  return docketText(figure === 'salt' ? amount * SALT_GRAMS_PER_SODIUM_MG : amount);
}

/** Share of the day's reference, where the rule set has one. */
function dailyText({ figure, serving }: Working, kitchen: Kitchen): string {
  if (serving.amount === undefined || figure === 'usedCost' || figure === 'weight' || figure === 'tillCost') return '';
  const { rules } = kitchen.settings;
  const share = shareOfDailyValue(rules, figure, serving.amount);
  if (share === undefined) return '';
  return `, ${leastText(serving)}${numberText(share * 100, 0)} % of the ${rules === 'us' ? 'daily value' : 'reference intake'}`;
}

function printedText({ figure, serving }: Working, kitchen: Kitchen): string | undefined {
  if (serving.amount === undefined || figure === 'weight') return undefined;
  if (figure === 'usedCost' || figure === 'tillCost') return `${leastText(serving)}${priceText(serving.amount, kitchen.settings.currency)}`;
  return cardText(kitchen.settings.rules, figure, serving.amount, serving.gaps.length > 0);
}

function roundingOf(kitchen: Kitchen): string {
  return { us: 'US rounding', eu: 'EU rounding', plain: 'rounded once, plain rule set' }[kitchen.settings.rules];
}

function nameOf(figure: WorkedFigure): string {
  if (figure === 'usedCost') return 'Cost, used';
  if (figure === 'tillCost') return 'Cost at the till';
  if (figure === 'salt') return 'Salt';
  return figure === 'weight' ? 'Weight' : NUTRIENT_DESCRIPTIONS[figure].name;
}
