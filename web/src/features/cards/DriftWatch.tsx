import { Link } from 'react-router';
import { dayText } from '@portiona/core';
import type { DriftCauseDto, PublishedCardDto } from '../../api/api.gen';
import { Button } from '../../ui/Button';
import { Drifts } from './Drifts';
import './driftWatch.css';

/** Moves that are told beside a cause; the card's own list has all. */
const MOST_TOLD = 4;

/** What moved under a published card, how far, why, and which promise that broke; and the way to the card that puts it right. */
export function DriftWatch({ card }: { readonly card: PublishedCardDto }) {
  const { recipe, issue, drift, within, causes, broke, since } = card;
  return (
    <div className="drift-watch">
      {broke.length > 0 && (
        <ul className="drift-broke bad">
          {broke.map((what) => (
            <li key={what}>✕ {what}</li>
          ))}
        </ul>
      )}
      <div>
        <h3>On the card → today</h3>
        {drift.length > 0 && <Drifts drift={drift} />}
        {within.length > 0 && (
          <>
            <h3 className="muted">No further than you tolerate</h3>
            <Drifts drift={within} />
          </>
        )}
      </div>
      <div>
        <h3>Why</h3>
        {causes.length === 0 ? (
          <p className="muted">What issue {issue} was computed from was not kept: nobody can say.</p>
        ) : (
          <ul className="drift-causes">
            {causes.map((cause) => (
              <Cause key={`${cause.kind} ${cause.of}`} cause={cause} recipe={recipe} />
            ))}
          </ul>
        )}
      </div>
      <p className="drift-does">
        <Button asChild kind="main">
          <Link to={`/recipes/${recipe}/card?correct`}>Correct it …</Link>
        </Button>
        <Button asChild>
          <Link to={`/recipes/${recipe}/card`}>To the card as it stands</Link>
        </Button>
        {since !== null && <span className="muted">Seen to have moved on {dayText(since.slice(0, 10), true)}.</span>}
      </p>
    </div>
  );
}

function Cause({ cause, recipe }: { readonly cause: DriftCauseDto; readonly recipe: string }) {
  const { kind, of, text, change, moved } = cause;
  const to =
    kind === 'label' || kind === 'price'
      ? `/pantry/${of}`
      : kind === 'base'
        ? `/recipes/${of}/build`
        : kind === 'recipe'
          ? `/recipes/${recipe}/build`
          : undefined;
  const told = moved.slice(0, MOST_TOLD);
  const said = text.charAt(0).toUpperCase() + text.slice(1);
  return (
    <li>
      {to === undefined ? <b>{said}</b> : <Link to={to}>{said}</Link>}
      {change !== '' && <span className="muted">: {change}</span>}
      <span className="drift-moved">
        {told.map(({ name, was, is }, i) => (
          <span key={i}>
            {name} {isShort(was, is) && <span className="num">{`${was || 'not there'} → ${is || 'not there'}`}</span>}
          </span>
        ))}
        {moved.length > told.length && <span className="muted">and {moved.length - told.length} more</span>}
      </span>
    </li>
  );
}

function isShort(was: string, is: string): boolean {
  return was.length + is.length < 40;
}
