import { useState } from 'react';
import { Download, X } from 'lucide-react';
import { BOOKLET_FORMATS, FORMAT_TABLE, type BookletFormat } from '@portiona/core';
import { useBindCardsMutation, useCancelBundleMutation, useListBundlesQuery, type BundleDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { sizeText } from '../../ui/sizeText';
import { useToast } from '../../ui/Toasts';
import './series.css';
import { kitchenAddress } from '../../api/kitchenAtHand';

/** Milliseconds between looks at how far the work is. */
const LOOK = 700;

interface BindingProps {
  /** Left out: every card. */
  readonly series?: string;
}

/** Binds the cards of a series, or all of them: a booklet, or every format in one archive; how far each is, and where it is once it is made. */
export function Binding({ series }: BindingProps) {
  const [format, setFormat] = useState<BookletFormat>('a5');
  const [of, setOf] = useState<BundleDto['of']>('published');
  const [bind, { isLoading }] = useBindCardsMutation();
  const [looking, setLooking] = useState(true);
  const { data: bundles = [] } = useListBundlesQuery(undefined, { pollingInterval: looking ? LOOK : 0, refetchOnMountOrArgChange: true });
  const running = bundles.some(({ state }) => state === 'running');
  if (looking !== running) setLooking(running);
  const own = bundles.filter((bundle) => bundle.series === (series ?? null) && bundle.state !== 'cancelled').slice(0, 4);
  const say = useToast();
  const start = (kind: BundleDto['kind']) => {
    bind({ bundleOrderDto: { kind, format, of, ...(series === undefined ? {} : { series }) } })
      .unwrap()
      .catch((error: unknown) => say(problemText(problemOf(error))));
  };
  return (
    <section className="binding">
      <h2>Bound together</h2>
      <div className="binding-choices">
        <Segmented<BundleDto['of']>
          label="Which cards"
          value={of}
          options={[
            ['published', 'as published', 'The newest issue of each, not taken back'],
            ['drafts', 'as they stand', 'Marked as not published'],
          ]}
          onChange={setOf}
        />
        <Segmented<BookletFormat>
          label="Paper"
          value={format}
          options={BOOKLET_FORMATS.map((one) => [one, FORMAT_TABLE[one].name] as const)}
          onChange={setFormat}
        />
      </div>
      <p className="binding-does">
        <Button kind="main" disabled={isLoading} onClick={() => start('booklet')}>
          Bind a booklet
        </Button>
        <Button disabled={isLoading} onClick={() => start('archive')} hint="PDF, pictures, page, Markdown and data of every card">
          All formats, zip
        </Button>
      </p>
      {own.length > 0 && (
        <ul className="bundles">
          {own.map((bundle) => (
            <Bundle key={bundle.id} bundle={bundle} />
          ))}
        </ul>
      )}
    </section>
  );
}

function Bundle({ bundle }: { readonly bundle: BundleDto }) {
  const { id, kind, format, of, state, done, total, leftOut, message, bytes } = bundle;
  const [cancel] = useCancelBundleMutation();
  const say = useToast();
  const called = `${kind === 'booklet' ? `Booklet, ${FORMAT_TABLE[format].name}` : 'All formats'}${of === 'drafts' ? ', as they stand' : ''}`;
  return (
    <li>
      <p className="bundle-head">
        <b>{called}</b>
        {state === 'running' && (
          <span className="muted">
            {done >= total - 1 && kind === 'booklet' ? 'binding …' : `card ${Math.min(done + 1, total - 1)} of ${total - 1}`}
          </span>
        )}
        {state === 'done' && (
          <a className="underline" href={kitchenAddress(`/bundles/${id}/file`)} download>
            <Download size={14} aria-hidden /> {sizeText(bytes ?? 0)}
          </a>
        )}
        {state === 'failed' && <span className="bad">✕ {message}</span>}
        <Button
          kind="icon"
          aria-label={state === 'running' ? `${called}: stop` : `${called}: take away`}
          onClick={() =>
            void cancel({ id })
              .unwrap()
              .catch((error: unknown) => say(problemText(problemOf(error))))
          }
        >
          <X size={14} />
        </Button>
      </p>
      {state === 'running' && <progress max={total} value={done} aria-label={`${called}: how far it is`} />}
      {leftOut.length > 0 && (
        <details className="text-compact">
          <summary className="warn">▲ {leftOut.length === 1 ? 'One dish is' : `${leftOut.length} dishes are`} not in it</summary>
          <ul>
            {leftOut.map(({ recipe, title, because }) => (
              <li key={recipe}>
                {title}: {because}
              </li>
            ))}
          </ul>
        </details>
      )}
    </li>
  );
}

/** @example sizeText(1289975) // '1.3 MB' */
