import { Link } from 'react-router';
import { IfMay } from '../account/IfMay';
import { Copy, Archive } from 'lucide-react';
import { indexText, type IndexFormula } from '@portiona/core';
import { useListPublishedCardsQuery, type BandedFigureDto, type ListedFigureDto, type ListedRecipeDto } from '../../api/api.gen';
import { useMay } from '../account/useMe';
import { NoPrice } from '../account/NoPrice';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { EnergySplit } from '../../ui/EnergySplit';
import { LedgerRow } from '../../ui/Ledger';
import { numberText, priceText } from '../../ui/numberText';
import { useArchiveRecipe } from './useArchiveRecipe';
import { useCopyRecipe } from './useCopyRecipe';
import './recipes.css';

interface RecipeRowProps {
  readonly recipe: ListedRecipeDto;
  /** Whether what is computed anew takes longer than a moment, and is told of in words. */
  readonly lasts: boolean;
  readonly currency: string;
  /** The kitchen's own figure, where it has one. */
  readonly index: IndexFormula | undefined;
}

/** A dish among others: what one box of it delivers and costs. One that is being computed anew shows what it was before, and says so. */
export function RecipeRow({ recipe, lasts, currency, index }: RecipeRowProps) {
  const showsCosts = useMay('costs');
  const {
    id,
    title,
    servings,
    servingName,
    weight,
    energyKcal,
    protein,
    carbohydrate,
    fat,
    usedCost,
    tillCost,
    withTopping,
    wrong,
    look,
    unsure,
  } = recipe;
  // Nothing is known of it yet: that is not “unknown”, nor “no price”.
  const coming = recipe.computing && weight === null;
  const card = useListPublishedCardsQuery().data?.find((one) => one.recipe === id);
  const copy = useCopyRecipe(recipe);
  const away = useArchiveRecipe(recipe);
  const working = (figure: string) => `/recipes/${id}/build?working=${figure}`;
  return (
    <LedgerRow className={recipe.computing ? 'row-computing' : ''}>
      <span className="min-w-0">
        <Link className="dish" to={`/recipes/${id}/build`}>
          {title}
        </Link>
        <span className="muted text-small block row-says">
          {recipe.number !== undefined && `no. ${recipe.number}, `}
          {numberText(servings, Number.isInteger(servings) ? 0 : 1)}{' '}
          {servingName === 'box' ? (servings === 1 ? 'box' : 'boxes') : `${servingName}${servings === 1 ? '' : 's'}`}
          {recipe.uncomputed !== null && <span className="bad block">✕ No figures: {recipe.uncomputed}.</span>}
          {recipe.uncomputed === null && wrong > 0 && (
            <Chip tone="bad" className="ml-2">
              ✕ {wrong} wrong
            </Chip>
          )}
          {recipe.brief && (
            <span className={`ml-2 ${recipe.brief === 'meets' ? 'ok' : recipe.brief === 'misses' ? 'bad' : 'warn'}`}>
              {{ meets: '✓ within its brief', perhaps: '▲ perhaps within its brief', misses: '✕ misses its brief' }[recipe.brief]}
            </span>
          )}
          {unsure > 0 && (
            <Chip tone="warn" className="ml-2">
              ▲ {unsure === 1 ? 'one line' : `${unsure} lines`} unsure
            </Chip>
          )}
          {look > 0 && (
            <Chip tone="warn" className="ml-2">
              ▲ {look} to look at
            </Chip>
          )}
          {card && (
            <Link
              className={`ml-2 underline underline-offset-2 ${card.drift.length > 0 || card.uncomputed !== null ? 'warn' : 'ok'}`}
              to={`/recipes/${id}/card`}
            >
              {card.uncomputed !== null ? '▲ card cannot be held against it' : card.drift.length > 0 ? '▲ card drifted' : '✓ card holds'}
            </Link>
          )}
          {withTopping && (
            <span className="ml-2 whitespace-nowrap">
              with topping {leastOf(withTopping.energyKcal, 0)} kcal, {leastOf(withTopping.protein, 1)} g protein
            </span>
          )}
          {lasts && recipe.computing && (
            <span className="warn block">{coming ? '… being added up' : '… being added up anew: figures as they were before'}</span>
          )}
        </span>
      </span>
      {coming ? (
        Array.from({ length: index ? 8 : 7 }, (_, i) => <Coming key={i} />)
      ) : (
        <>
          <FigureLink to={working('weight')} figure={{ amount: weight, atLeast: false }} unit="g" decimals={0} />
          <FigureLink to={working('energyKcal')} figure={energyKcal} unit="kcal" decimals={0} band={energyKcal.band} />
          <FigureLink to={working('protein')} figure={protein} unit="g" decimals={1} band={protein.band} />
          <FigureLink to={working('carbohydrate')} figure={carbohydrate} unit="g" decimals={0} />
          <FigureLink to={working('fat')} figure={fat} unit="g" decimals={1} />
          {showsCosts ? (
            <>
              <MoneyLink to={working('usedCost')} figure={usedCost} currency={currency} />
              <MoneyLink to={working('tillCost')} figure={tillCost} currency={currency} />
            </>
          ) : (
            <>
              <NotShown />
              <NotShown />
            </>
          )}
          {index && <IndexLink to={working('index')} figure={recipe.index} index={index} />}
        </>
      )}
      <span>
        <EnergySplit width={index ? '84%' : '100%'} shares={recipe.energyShares} />
      </span>
      <span className="flex gap-1 justify-end max-[720px]:hidden">
        <IfMay right="edit">
          <Button kind="icon" aria-label={`Copy ${title}`} hint="Copy" onClick={() => void copy()}>
            <Copy size={15} />
          </Button>
          <Button kind="icon" aria-label={`Put ${title} away`} hint="Put away" onClick={() => void away()}>
            <Archive size={15} />
          </Button>
        </IfMay>
      </span>
    </LedgerRow>
  );
}

function FigureLink({
  to,
  figure: { amount, atLeast },
  unit,
  decimals,
  band,
}: {
  readonly to: string;
  readonly figure: ListedFigureDto;
  readonly unit: string;
  readonly decimals: number;
  readonly band?: BandedFigureDto['band'];
}) {
  return (
    <Link className="num figure figbtn" to={to}>
      {amount !== null && atLeast && <span className="least">at least </span>}
      {amount === null ? <span className="faint">unknown</span> : numberText(amount, decimals)}
      {amount !== null && <small>{unit}</small>}
      {amount !== null && band && (
        <span className="band" title="95 % of what this figure could be">
          {band.map((end) => numberText(end, decimals)).join(' to ')}
        </span>
      )}
    </Link>
  );
}

/** Where a figure will stand. */
function Coming() {
  return (
    <span className="num faint" aria-hidden>
      …
    </span>
  );
}

/** Where a cost would stand, for whom it is not shown. */
function NotShown() {
  return (
    <span className="num faint" title="Costs of this kitchen are not shown to you">
      –<span className="sr"> not shown to you</span>
    </span>
  );
}

function MoneyLink({
  to,
  figure: { amount, atLeast },
  currency,
}: {
  readonly to: string;
  readonly figure: ListedFigureDto;
  readonly currency: string;
}) {
  return (
    <Link className="num figure figbtn" to={to}>
      {amount !== null && atLeast && <span className="least">at least </span>}
      {amount === null ? <NoPrice /> : priceText(amount, currency)}
    </Link>
  );
}

/** A figure lacking moves an index either way: it is no "at least". */
function IndexLink({ to, figure, index }: { readonly to: string; readonly figure: ListedFigureDto | null; readonly index: IndexFormula }) {
  const known = figure?.amount ?? undefined;
  return (
    <Link className="num figure figbtn" to={to}>
      {known === undefined ? <span className="faint">unknown</span> : indexText(known, index)}
      {known !== undefined && figure?.atLeast && <span className="least block">a figure lacking</span>}
    </Link>
  );
}

function leastOf({ amount, atLeast }: ListedFigureDto, decimals: number): string {
  return amount === null ? 'unknown' : `${atLeast ? 'at least ' : ''}${numberText(amount, decimals)}`;
}
