import { useEffect, useMemo, useRef, useState } from 'react';
import { CostsNotShown } from '../account/CostsNotShown';
import { useMay } from '../account/useMe';
import { useDispatch } from 'react-redux';
import { Link } from 'react-router';
import { agoText, packWords, priceHistory, type Pack } from '@portiona/core';
import {
  api,
  useCancelRefreshMutation,
  useLatestRefreshQuery,
  useRefreshPricesMutation,
  useRetryRefreshMutation,
  type RefreshDto,
  type RefreshItemDto,
} from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { FigureSource } from '../../ui/FigureSource';
import { percentText, priceText, signedPercent } from '../../ui/numberText';
import { useToast } from '../../ui/Toasts';
import { PackCells } from './PackCells';
import { PriceMoves } from './PriceMoves';
import { useMovedDishes } from './useMovedDishes';
import { useKitchen, type LoadedKitchen } from '../kitchen/useKitchen';
import { Button } from '../../ui/Button';
import { Ledger, LedgerGroup, LedgerRow } from '../../ui/Ledger';
import { Chip } from '../../ui/Chip';
import './prices.css';

/** Prices of the whole pantry: how old they are, and what the shops say today. */
export function PricesPage() {
  const here = useKitchen();
  const showsCosts = useMay('costs');
  const [running, setRunning] = useState(false);
  const refresh = useLatestRefreshQuery(undefined, { pollingInterval: running ? 500 : 0, refetchOnMountOrArgChange: true }).data?.refresh;
  const dispatch = useDispatch();
  if (running !== (refresh?.state === 'running')) setRunning(refresh?.state === 'running');
  const answered = refresh?.answered;
  const telling = useMovedDishes(here?.kitchen.settings.currency ?? 'EUR');
  const ended = useRef<() => void>(undefined);
  useEffect(() => {
    if (!running) ended.current?.();
  }, [running]);
  /** Asks, waits until every shop has answered, and says which dishes that moved. */
  const ask = (begin: () => Promise<unknown>) =>
    telling(async () => {
      await begin();
      await new Promise<void>((resolve) => (ended.current = resolve));
    });
  // Each answer may be a new price: the pantry's packs follow.
  useEffect(() => {
    if (answered !== undefined && !running) dispatch(api.util.invalidateTags(['packs', 'recipes']));
  }, [answered, running, dispatch]);
  if (!showsCosts)
    return (
      <main className="page">
        <CostsNotShown what="This page tells what the pantry costs, and how old its prices are." />
      </main>
    );
  if (!here || refresh === undefined) return <main className="page" aria-busy="true" />;
  return (
    <main className="page">
      <div className="page-head">
        <h1>Prices</h1>
        <Button asChild kind="quiet">
          <Link to="/pantry">Back to the pantry</Link>
        </Button>
        <Ages here={here} />
        <Ask refresh={refresh} onAsk={ask} />
      </div>
      {refresh ? (
        <Answers refresh={refresh} here={here} />
      ) : (
        <p className="muted px-5 pb-3">
          <b className="text-ink">No shop was asked yet.</b> Every pack of the pantry is asked for at its shop. What it costs today is added
          to its prices; the ones before stay, and every dish’s cost follows.
        </p>
      )}
      <PriceMoves here={here} />
    </main>
  );
}

/** How many packs, and how old the oldest of their latest prices. */
function Ages({ here: { kitchen, foods } }: { readonly here: LoadedKitchen }) {
  const series = useMemo(() => foods.flatMap((food) => priceHistory(food, kitchen.packsOf(food.id))), [kitchen, foods]);
  const oldest = series.reduce<Pack | undefined>((old, { latest: { pack } }) => (old && old.seen <= pack.seen ? old : pack), undefined);
  return (
    <span className="muted">
      {series.length} packs
      {oldest && `, the oldest price seen ${agoText(oldest.seen, kitchen.settings.date)}`}
    </span>
  );
}

interface AskProps {
  readonly refresh: RefreshDto | null;
  readonly onAsk: (begin: () => Promise<unknown>) => Promise<void>;
}

function Ask({ refresh, onAsk }: AskProps) {
  const [start, { isLoading }] = useRefreshPricesMutation();
  const [retry] = useRetryRefreshMutation();
  const [cancel] = useCancelRefreshMutation();
  const say = useToast();
  const told = (doing: Promise<unknown>) => void doing.catch((error: unknown) => say(problemText(problemOf(error))));
  if (refresh?.state === 'running')
    return (
      <span className="ml-auto flex gap-3 items-center" role="status">
        <progress max={refresh.asked} value={refresh.answered} aria-label="Packs answered" />
        <span className="num muted">
          {refresh.answered} of {refresh.asked}
        </span>
        <Button onClick={() => told(cancel({ id: refresh.id }).unwrap())}>Stop</Button>
      </span>
    );
  const failed = refresh?.items.filter(({ state }) => state === 'failed').length ?? 0;
  return (
    <span className="ml-auto flex gap-2">
      {refresh && failed > 0 && (
        <Button onClick={() => told(onAsk(() => retry({ id: refresh.id }).unwrap()))}>Ask again for the {failed} that failed</Button>
      )}
      <Button kind="main" disabled={isLoading} onClick={() => told(onAsk(() => start().unwrap()))}>
        Refresh prices
      </Button>
    </span>
  );
}

/** A smaller share of a price is no change. */
const AS_BEFORE = 0.0005;

type State = RefreshItemDto['state'];
const GROUPS: readonly (readonly [State, string])[] = [
  ['changed', 'Another price today'],
  ['failed', 'No answer'],
  ['unlisted', 'Not sold there any more'],
  ['same', 'As before'],
  ['waiting', 'Still to be asked'],
];

function Answers({ refresh, here }: { readonly refresh: RefreshDto; readonly here: LoadedKitchen }) {
  const of = (state: State) => refresh.items.filter((item) => item.state === state);
  const { date } = here.kitchen.settings;
  return (
    <Ledger className="answers">
      <LedgerRow heads>
        <span>asked {agoText(refresh.day, date)}</span>
        <span>shop</span>
        <span className="num">pack</span>
        <span className="num">before</span>
        <span className="num">now</span>
        <span>change</span>
      </LedgerRow>
      {GROUPS.map(([state, title]) => (
        <Group
          key={state}
          title={title}
          items={sorted(of(state))}
          open={state !== 'same' && state !== 'waiting'}
          asked={refresh.day}
          today={date}
        />
      ))}
    </Ledger>
  );
}

interface GroupProps {
  readonly title: string;
  readonly items: readonly RefreshItemDto[];
  readonly open: boolean;
  readonly asked: string;
  readonly today: string;
}

function Group({ title, items, open, asked, today }: GroupProps) {
  const [shown, setShown] = useState(open);
  if (items.length === 0) return null;
  return (
    <>
      <LedgerGroup>
        {title}, {items.length}{' '}
        <Button kind="quiet" className="text-small ml-2" aria-expanded={shown} onClick={() => setShown(!shown)}>
          {shown ? 'hide' : 'show'}
        </Button>
      </LedgerGroup>
      {shown &&
        items.map((item) => <Answer key={`${item.food} ${item.shop} ${item.net} ${item.unit}`} item={item} asked={asked} today={today} />)}
    </>
  );
}

function Answer({ item, asked, today }: { readonly item: RefreshItemDto; readonly asked: string; readonly today: string }) {
  const { food, name, shop, net, unit, currency, before, price, change, promotion, message } = item;
  const prices = `/pantry/${food}?show=usedCost`;
  return (
    <LedgerRow>
      <PackCells food={food} name={name} shop={shop} net={net} unit={unit} />
      <Link
        className="num muted hover:underline"
        to={prices}
        aria-label={`${name} before, ${priceText(Number(before), currency)}: all its prices`}
      >
        {priceText(Number(before), currency)}
      </Link>
      {price === null ? (
        <span />
      ) : (
        <Link
          className="num font-semibold hover:underline"
          to={prices}
          aria-label={`${name} now, ${priceText(Number(price), currency)}: all its prices`}
        >
          {priceText(Number(price), currency)}
        </Link>
      )}
      <span>
        {message !== null ? (
          <span className="warn">{message}</span>
        ) : change === null || price === null ? null : (
          <FigureSource
            name={`the change of ${name}`}
            className={Math.abs(change) < AS_BEFORE ? 'faint' : change > 0 ? 'warn' : 'ok'}
            steps={[
              `Before: ${packWords(net, unit)} at ${shop} for ${priceText(Number(before), currency)}`,
              `Asked ${agoText(asked, today)}: ${priceText(Number(price), currency)}${promotion ? ', an offer' : ''}`,
              `${priceText(Number(price), currency)} ÷ ${priceText(Number(before), currency)} − 1 = ${signedPercent(change, 1)}`,
            ]}
            link={
              <Button asChild kind="quiet">
                <Link to={prices}>All prices of {name}</Link>
              </Button>
            }
          >
            {Math.abs(change) < AS_BEFORE ? 'as before' : `${change > 0 ? '▲' : '▼'} ${percentText(Math.abs(change), 1)}`}
          </FigureSource>
        )}
        {promotion && message === null && (
          <Chip tone="warn" className="ml-2">
            offer
          </Chip>
        )}
      </span>
    </LedgerRow>
  );
}

/** The greatest changes first. */
function sorted(items: readonly RefreshItemDto[]): RefreshItemDto[] {
  return [...items].sort((a, b) => Math.abs(b.change ?? 0) - Math.abs(a.change ?? 0));
}
