import { netOf, sumTerms, type BatchEdit, type BatchPart, type KitchenVessel } from '@portiona/core';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { numberText } from '../../ui/numberText';
import { Kept } from './Kept';

/** A pot on the scale: its net weight, or the full pot less the empty one. */
export function PartWeighed({
  name,
  came,
  portion,
  vessels = [],
  onEdit,
}: {
  readonly name: string;
  readonly came: BatchPart;
  readonly portion: string | undefined;
  /** The kitchen's own pots: what each weighs empty is at hand. */
  readonly vessels?: readonly KitchenVessel[] | undefined;
  readonly onEdit: (edit: BatchEdit) => void;
}) {
  const net = netOf(came);
  const keep = (change: Partial<Record<keyof BatchPart, number | undefined>>, weighs = true) => {
    const { net: _, gross: __, tare: ___, ...others } = came;
    const all = Object.entries({ ...(weighs ? others : came), ...change }).filter(([, value]) => value !== undefined);
    const part = Object.fromEntries(all) as unknown as BatchPart;
    onEdit(Object.keys(part).length === 1 ? { do: 'unmeasured', part: came.part } : { do: 'part', part });
  };
  return (
    <>
      <WeightText
        label={`${name}, g, with its pot: 3468-1158`}
        value={
          came.gross !== undefined && came.tare !== undefined
            ? `${came.gross}-${came.tare}`
            : came.net === undefined
              ? ''
              : String(came.net)
        }
        said={came.gross === undefined || net === undefined ? '' : `= ${numberText(net, 0)} g`}
        onKeep={(weight) => keep(weight ?? {})}
      />
      <Tared came={came} vessels={vessels} name={name} onTare={(tare) => keep({ gross: came.gross ?? net, tare })} />
      {portion === 'pieces' && (
        <NumberField label={`${name}, pieces made`} amount={came.pieces} onChange={(pieces) => keep({ pieces }, false)} />
      )}
      {portion === 'volume' && (
        <NumberField label={`${name}, ml made`} amount={came.volume} onChange={(volume) => keep({ volume }, false)} />
      )}
    </>
  );
}

/** What was weighed was in one of the kitchen's pots: which, in one press. */
function Tared({
  came,
  vessels,
  name,
  onTare,
}: {
  readonly came: BatchPart;
  readonly vessels: readonly KitchenVessel[];
  readonly name: string;
  readonly onTare: (tare: number) => void;
}) {
  const weight = came.gross ?? came.net;
  const pots = vessels.filter((one) => one.kind === 'pot' && one.weight !== undefined && weight !== undefined && one.weight < weight);
  if (pots.length === 0) return null;
  return (
    <label className="tared">
      <span className="muted text-small">{came.tare === undefined ? 'It stood in' : 'Less the pot'}</span>
      <Select
        aria-label={`Pot that ${name} was weighed in`}
        value={pots.find((one) => one.weight === came.tare)?.name ?? ''}
        onChange={({ target }) => {
          const tare = pots.find((one) => one.name === target.value)?.weight;
          if (tare !== undefined) onTare(tare);
        }}
      >
        <option value="">{came.tare === undefined ? 'no pot of the kitchen’s' : 'another pot'}</option>
        {pots.map((one) => (
          <option key={one.name} value={one.name}>
            {one.name}, {numberText(one.weight ?? 0, 0)} g
          </option>
        ))}
      </Select>
    </label>
  );
}

type Weight = { readonly net: number } | { readonly gross: number; readonly tare: number };

/** A weight, or two with a minus between them, which are kept as they are: what a pot weighed is found again. */
function WeightText({
  label,
  value,
  said,
  onKeep,
}: {
  readonly label: string;
  readonly value: string;
  readonly said: string;
  readonly onKeep: (weight: Weight | undefined) => void;
}) {
  return (
    <Kept
      label={label}
      value={value}
      most={40}
      said={said}
      check={(text) => (text === '' || weightOf(text) ? undefined : `“${text}” is no weight above 0`)}
      onKeep={(text) => onKeep(text === '' ? undefined : weightOf(text))}
    />
  );
}

function weightOf(text: string): Weight | undefined {
  const terms = sumTerms(text);
  if (!terms) return undefined;
  const [gross = 0, tare = 0] = terms;
  if (terms.length === 2 && gross > 0 && tare < 0 && gross + tare > 0) return { gross, tare: -tare };
  const net = terms.reduce((sum, one) => sum + one, 0);
  return net > 0 ? { net } : undefined;
}
