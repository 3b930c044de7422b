import { useState } from 'react';
import { withCount, withEach, type AimOffer, type BatchBox, type BoxAim, type Kitchen, type PartFigures } from '@portiona/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { leastText, numberText } from '../../ui/numberText';
import { Kept } from '../batches/Kept';
import type { Portioned, PortionedKind } from './portioned';

interface KindCardProps {
  readonly of: PortionedKind;
  readonly others: readonly PortionedKind[];
  readonly found: Portioned;
  readonly kitchen: Kitchen;
  /** This kind's boxes in another shape. */
  readonly onBoxes: (boxes: readonly BatchBox[]) => void;
}

/** Boxes of one name: how many, of what, in which box, and whether they have the energy they are to have. */
export function KindCard({ of, others, found, kitchen, onBoxes }: KindCardProps) {
  const { kind, figures, aim, eye } = of;
  const { parts } = found.portion;
  const energy = figures.nutrients.energyKcal;
  const each = (change: Partial<BatchBox>) => onBoxes(withEach(kind, change));
  const [first] = others;
  const beside = first?.figures.nutrients.energyKcal.amount;
  const full = kind.like.holds === undefined ? undefined : figures.weight / kind.like.holds;
  return (
    <section className="kind" aria-label={`Boxes of ${kind.name}`}>
      <div className="kind-head">
        <Kept
          label={`Whose: ${kind.name}`}
          hidden
          value={kind.name}
          most={80}
          check={(name) => (name === '' ? 'a box has a name' : undefined)}
          onKeep={(name) => each({ name })}
        />
        <span className="kind-step">
          <button type="button" aria-label={`One box of ${kind.name} fewer`} onClick={() => onBoxes(withCount(kind, kind.count - 1))}>
            −
          </button>
          <button type="button" aria-label={`One box of ${kind.name} more`} onClick={() => onBoxes(withCount(kind, kind.count + 1))}>
            +
          </button>
        </span>
        <span className="kind-count">
          {kind.count === 1 ? '1 box' : `${kind.count} boxes`} of <Holds of={of} kitchen={kitchen} onHolds={(holds) => each({ holds })} />
        </span>
        <em>
          {energy.amount === undefined ? '?' : `${leastText(energy) === '' ? '' : '≥ '}${numberText(energy.amount, 0)}`}
          <small>kcal</small>
        </em>
      </div>
      <div className="kind-fill">
        {parts.map((part) => (
          <span key={part.part.id} className="kind-part">
            <NumberField
              label={`${part.part.name}, g`}
              amount={kind.grams[part.part.id] ?? 0}
              sums
              onChange={(grams) => each({ grams: { ...kind.grams, [part.part.id]: grams ?? 0 } })}
            />
            {(kind.like.eye ?? []).includes(part.part.id) && (
              <Button
                kind="quiet"
                className="text-small"
                onClick={() => each({ eye: (kind.like.eye ?? []).filter((one) => one !== part.part.id) })}
              >
                by eye: it was weighed
              </Button>
            )}
          </span>
        ))}
        <AimField aim={kind.like.aim} name={kind.name} onAim={(next) => each({ aim: next })} />
      </div>
      <p className="kind-said">
        {aim?.state === 'met' && (
          <span className="ok">
            ✓ {aim.kind === 'atLeast' ? 'at least' : 'at most'} {numberText(aim.bound, 0)}, {numberText(aim.by, 0)}{' '}
            {aim.kind === 'atLeast' ? 'over' : 'to spare'}
          </span>
        )}
        <span>
          {eye
            ? `By eye: between ${numberText(eye[0], 0)} and ${numberText(eye[1], 0)} kcal`
            : beside !== undefined && beside > 0 && energy.amount !== undefined && first
              ? `${numberText(energy.amount / beside, 2)} of ${first.kind.name}’s box`
              : ''}
        </span>
        <b className={full !== undefined && full > 1 ? 'warn' : ''}>
          {full === undefined
            ? ''
            : full > 1
              ? `▲ ${numberText(figures.weight, 0)} g do not go into ${numberText(kind.like.holds ?? 0, 0)} ml`
              : `${numberText(100 * full, 0)} % full`}
        </b>
      </p>
      {aim && aim.state !== 'met' && <Aimed of={of} parts={parts} onGrams={(grams) => each({ grams })} />}
    </section>
  );
}

/** The box it goes into: one of the kitchen's, or of so many millilitres. */
function Holds({
  of: { kind },
  kitchen,
  onHolds,
}: {
  readonly of: PortionedKind;
  readonly kitchen: Kitchen;
  readonly onHolds: (holds: number | undefined) => void;
}) {
  const known = [
    ...new Set([
      ...(kitchen.settings.vessels ?? []).flatMap((vessel) =>
        vessel.kind === 'box' && vessel.capacity !== undefined ? [vessel.capacity] : [],
      ),
      ...[500, 750, 1000],
      ...(kind.like.holds === undefined ? [] : [kind.like.holds]),
    ]),
  ].sort((a, b) => a - b);
  const nameOf = (ml: number) => (kitchen.settings.vessels ?? []).find((vessel) => vessel.kind === 'box' && vessel.capacity === ml)?.name;
  return (
    <Select
      className="kind-holds"
      aria-label={`Box of ${kind.name}`}
      value={kind.like.holds ?? ''}
      onChange={({ target }) => onHolds(target.value === '' ? undefined : Number(target.value))}
    >
      <option value="">any size</option>
      {known.map((ml) => (
        <option key={ml} value={ml}>
          {numberText(ml, 0)} ml{nameOf(ml) === undefined ? '' : `, ${nameOf(ml) ?? ''}`}
        </option>
      ))}
    </Select>
  );
}

function AimField({
  aim,
  name,
  onAim,
}: {
  readonly aim: BoxAim | undefined;
  readonly name: string;
  readonly onAim: (aim: BoxAim | undefined) => void;
}) {
  const stated = aim?.atLeast !== undefined ? 'atLeast' : aim?.atMost !== undefined ? 'atMost' : '';
  const [asked, setAsked] = useState<'' | 'atLeast' | 'atMost'>();
  const kind = asked ?? stated;
  return (
    <span className="kind-aim">
      <Field label="To have">
        <Select
          value={kind}
          aria-label={`What each box of ${name} is to have`}
          onChange={({ target }) => {
            const next = target.value as '' | 'atLeast' | 'atMost';
            const kcal = aim?.atLeast ?? aim?.atMost;
            setAsked(next);
            if (next === '') onAim(undefined);
            else if (kcal !== undefined) onAim({ [next]: kcal });
          }}
        >
          <option value="">no target</option>
          <option value="atLeast">at least</option>
          <option value="atMost">at most</option>
        </Select>
      </Field>
      {kind !== '' && (
        <NumberField label="kcal" amount={aim?.[kind]} onChange={(kcal) => onAim(kcal === undefined ? undefined : { [kind]: kcal })} />
      )}
    </span>
  );
}

/** Whether it has what it is to have, and what would bring it there, one press each. */
function Aimed({
  of: { aim, kind },
  parts,
  onGrams,
}: {
  readonly of: PortionedKind;
  readonly parts: readonly PartFigures[];
  readonly onGrams: (grams: BatchBox['grams']) => void;
}) {
  if (!aim) return null;
  const bound = `${aim.kind === 'atLeast' ? 'at least' : 'at most'} ${numberText(aim.bound, 0)}`;
  if (aim.state === 'unknown') return <p className="kind-aimed warn">? {bound}: its energy is not known to the end</p>;
  return (
    <div className="kind-aimed warn">
      <span>
        ▲ {bound}: {numberText(aim.by, 0)} kcal {aim.state === 'below' ? 'short' : 'over'}
      </span>
      {aim.offers.map((offer) => (
        <button key={offer.part ?? ''} type="button" className="kind-offer" onClick={() => onGrams(offer.box)}>
          {offerText(offer, kind.grams, parts)}
          {offer.short > 0.5 && <small> ▲ {numberText(offer.short, 0)} g are not there</small>}
        </button>
      ))}
    </div>
  );
}

function offerText({ part, grams, box }: AimOffer, now: BatchBox['grams'], parts: readonly PartFigures[]): string {
  const name = parts.find((one) => one.part.id === part)?.part.name.toLowerCase();
  if (name !== undefined) return `${numberText(Math.abs(grams), 0)} g ${grams < 0 ? 'less' : 'more'} ${name}`;
  const sum = (of: BatchBox['grams']) => Object.values(of).reduce((all, one) => all + one, 0);
  return `${numberText(sum(box) / Math.max(1e-9, sum(now)), 2)} of all of it`;
}
