import { Link } from 'react-router';
import { IfMay } from '../features/account/IfMay';
import { dayText, type Kitchen } from '@portiona/core';
import { useAcceptUpstreamChangesMutation, useUpstreamChangesQuery, type UpstreamFiguresDto } from '../api/api.gen';
import { problemOf, problemText } from '../api/problem';
import { docketText, priceText } from '../ui/numberText';
import { useToast } from '../ui/Toasts';
import { Button } from '../ui/Button';

/** Told under the head: foods and other recipes that were edited since the recipe was agreed to rest on them, and what that did to a serving. */
export function UpstreamNotice({ id, serving, kitchen }: { readonly id: string; readonly serving: string; readonly kitchen: Kitchen }) {
  const upstream = useUpstreamChangesQuery({ id }, { refetchOnMountOrArgChange: true }).data;
  const [accept, { isLoading }] = useAcceptUpstreamChangesMutation();
  const say = useToast();
  if (!upstream || upstream.moved.length === 0) return null;
  const changes = changesOf(upstream.before, upstream.now, kitchen.settings.currency);
  return (
    <div className="notice" role="status">
      <p>
        <b>Its basis moved.</b>{' '}
        {upstream.moved.map(({ kind, id: of, name, savedAt }, i) => (
          <span key={`${kind} ${of}`}>
            {i > 0 && ', '}
            <Button asChild kind="quiet">
              <Link to={kind === 'food' ? `/pantry/${of}` : `/recipes/${of}/build`}>{name}</Link>
            </Button>{' '}
            was edited on {dayText(savedAt.slice(0, 10), false)}
          </span>
        ))}
        : {changes.length > 0 ? `${changes.join(', ')} a ${serving}` : `the docket’s figures of a ${serving} stay as they were`}.
      </p>
      <IfMay right="edit">
        <Button
          disabled={isLoading}
          onClick={() =>
            void accept({ id })
              .unwrap()
              .catch((error: unknown) => say(problemText(problemOf(error))))
          }
        >
          Take it as it is now
        </Button>
      </IfMay>
    </div>
  );
}

function changesOf(before: UpstreamFiguresDto, now: UpstreamFiguresDto, currency: string): string[] {
  const change = (old: number | null, next: number | null, text: (amount: number) => string, unit: string) => {
    const [from, to] = [old === null ? 'unknown' : text(old), next === null ? 'unknown' : text(next)];
    return from === to ? [] : [`${from} → ${to}${unit}`];
  };
  return [
    ...change(before.energyKcal, now.energyKcal, docketText, ' kcal'),
    ...change(before.protein, now.protein, docketText, ' g protein'),
    ...change(before.carbohydrate, now.carbohydrate, docketText, ' g carbohydrate'),
    ...change(before.fat, now.fat, docketText, ' g fat'),
    ...change(before.fibre, now.fibre, docketText, ' g fibre'),
    ...change(before.sodium, now.sodium, docketText, ' mg sodium'),
    ...change(before.usedCost, now.usedCost, (amount) => priceText(amount, currency), ''),
  ];
}
