import { useState } from 'react';
import {
  boxesByGrams,
  equalGrams,
  gramsOfShare,
  HAND_MEASURES,
  pieceCounts,
  sumFromText,
  type BatchBox,
  type Kitchen,
  type PartFigures,
} from '@portiona/core';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { numberText } from '../../ui/numberText';
import { ScalePanel } from '../scale/ScalePanel';
import { takeable } from '../scale/scaleState';
import { useScale } from '../scale/useScale';
import { equalBoxes, freeName, type Portioned } from './portioned';

interface FillWaysProps {
  readonly found: Portioned;
  readonly kitchen: Kitchen;
  readonly onBoxes: (boxes: readonly BatchBox[]) => void;
}

type Way = 'equal' | 'grams' | 'pieces' | 'volume' | 'eye' | 'one by one';
const WAYS: readonly (readonly [Way, string])[] = [
  ['equal', 'equally'],
  ['grams', 'by grams'],
  ['pieces', 'by pieces'],
  ['volume', 'by volume'],
  ['eye', 'by eye'],
  ['one by one', 'one by one'],
];

/** How boxes are filled: all alike, by a measure, or each as it comes off the scale. */
export function FillWays({ found, kitchen, onBoxes }: FillWaysProps) {
  const { batch, made, portion } = found;
  const boxes = batch.boxes ?? [];
  const servings = batch.servings ?? made.figures.recipe.servings;
  const [open, setOpen] = useState(boxes.length === 0);
  const [way, setWay] = useState<Way>('equal');
  const holds = (kitchen.settings.vessels ?? []).find((vessel) => vessel.kind === 'box')?.capacity;
  const fill = (next: readonly BatchBox[]) => {
    onBoxes(next);
    setOpen(false);
  };
  const another = () => {
    const name = freeName(boxes);
    const grams = Object.fromEntries(
      portion.parts.map((part) => [part.part.id, Math.max(0, Math.floor(made.left.find((one) => one.part === part.part.id)?.grams ?? 0))]),
    );
    onBoxes([...boxes, { name, count: 1, grams, keep: 'fridge', ...(holds === undefined ? {} : { holds }) }]);
  };
  return (
    <div className="fill-ways">
      <div className="fill-bar">
        <Button kind={boxes.length === 0 ? 'main' : 'plain'} aria-expanded={open} onClick={() => setOpen(!open)}>
          {boxes.length === 0 ? 'Fill boxes' : 'Fill anew'}
        </Button>
        {boxes.length > 0 && (
          <Button kind="plain" onClick={another}>
            Another size
          </Button>
        )}
        {boxes.length > 0 && (
          <Button kind="quiet" onClick={() => onBoxes([])}>
            Empty all boxes
          </Button>
        )}
      </div>
      {open && (
        <div className="fill-open">
          <Segmented label="How the boxes are filled" value={way} options={WAYS} onChange={setWay} />
          {boxes.length > 0 && (
            <p className="warn text-small">▲ These take the place of the {boxes.length === 1 ? 'boxes' : 'sizes'} there are.</p>
          )}
          {way === 'equal' && <Equal found={found} servings={servings} holds={holds} onFill={fill} />}
          {(way === 'grams' || way === 'eye') && <ByGrams found={found} eye={way === 'eye'} holds={holds} onFill={fill} />}
          {(way === 'pieces' || way === 'volume') && <ByCount found={found} of={way} servings={servings} holds={holds} onFill={fill} />}
          {way === 'one by one' && <OneByOne found={found} holds={holds} onBoxes={onBoxes} boxes={boxes} />}
        </div>
      )}
    </div>
  );
}

interface WayProps {
  readonly found: Portioned;
  readonly holds: number | undefined;
  readonly onFill: (boxes: readonly BatchBox[]) => void;
}

function Equal({ found, servings, holds, onFill }: WayProps & { readonly servings: number }) {
  const [count, setCount] = useState(servings);
  const proposal = Number.isInteger(count) ? equalBoxes(found, count, 'A', holds) : [];
  const [box] = proposal;
  return (
    <div className="fill-row">
      <NumberField label="Boxes" amount={count} onChange={(next) => setCount(next ?? servings)} />
      <p className="fill-said">
        {box
          ? found.portion.parts
              .map(({ part, cooked }) => {
                const grams = box.grams[part.id] ?? 0;
                return `${numberText(grams, Number.isInteger(grams) ? 0 : 1)} g ${part.name.toLowerCase()} (${numberText(cooked - grams * count, 0)} left)`;
              })
              .join(', ')
          : 'a whole number of boxes'}
      </p>
      <Button kind="main" disabled={!box} onClick={() => onFill(proposal)}>
        Fill {count} alike
      </Button>
    </div>
  );
}

/** Grams typed for each part, or taken from a hand; as many boxes as the scarcest part fills. */
function ByGrams({ found, eye, holds, onFill }: WayProps & { readonly eye: boolean }) {
  const { parts } = found.portion;
  const [grams, setGrams] = useState<Readonly<Record<string, number>>>(() =>
    Object.fromEntries(
      parts.map((part, i) => [
        part.part.id,
        eye ? (HAND_MEASURES[i % 2]?.grams ?? 100) : equalGrams(part.cooked, found.made.figures.recipe.servings),
      ]),
    ),
  );
  const counts = parts
    .filter(({ part }) => (grams[part.id] ?? 0) > 0)
    .map(({ part, cooked }) => boxesByGrams(cooked, grams[part.id] ?? 0).boxes);
  const count = counts.length === 0 ? 0 : Math.min(...counts);
  return (
    <div className="fill-row">
      {parts.map(({ part }) => (
        <span key={part.id}>
          <NumberField
            label={`${part.name}, ${eye ? 'about ' : ''}g a box`}
            amount={grams[part.id] ?? 0}
            sums
            onChange={(next) => setGrams({ ...grams, [part.id]: next ?? 0 })}
          />
          {eye && (
            <Field label={`${part.name}, by a hand`}>
              <Select
                value={HAND_MEASURES.find((one) => one.grams === grams[part.id])?.name ?? ''}
                onChange={({ target }) => {
                  const hand = HAND_MEASURES.find((one) => one.name === target.value);
                  if (hand) setGrams({ ...grams, [part.id]: hand.grams });
                }}
              >
                <option value="">another amount</option>
                {HAND_MEASURES.map((hand) => (
                  <option key={hand.name} value={hand.name}>
                    {hand.name} of {hand.of}, {hand.grams} g
                  </option>
                ))}
              </Select>
            </Field>
          )}
        </span>
      ))}
      <p className="fill-said">
        {count > 0 ? `as many as there is for: ${count}` : 'there is not enough for one'}
        {eye && '. By eye an amount is sure to 30 %: figures and labels say so'}
      </p>
      <Button
        kind="main"
        disabled={count < 1}
        onClick={() =>
          onFill([
            {
              ...{ name: 'A', count, grams, keep: 'fridge' as const },
              ...(holds === undefined ? {} : { holds }),
              ...(eye ? { eye: parts.filter(({ part }) => (grams[part.id] ?? 0) > 0).map(({ part }) => part.id) } : {}),
            },
          ])
        }
      >
        Fill {Math.max(count, 0)}
      </Button>
    </div>
  );
}

/** One part by its pieces or its volume, the others equally. */
function ByCount({ found, of, servings, holds, onFill }: WayProps & { readonly of: 'pieces' | 'volume'; readonly servings: number }) {
  const { parts } = found.portion;
  const counted = parts.find(({ part }) => part.portion?.by === of) ?? parts[0];
  const [id, setId] = useState(counted?.part.id ?? '');
  const part = parts.find((one) => one.part.id === id) ?? counted;
  const came = found.batch.parts?.find((one) => one.part === id);
  const known = of === 'pieces' ? came?.pieces : came?.volume;
  const planned = part?.part.portion?.by === of ? part.part.portion.made : undefined;
  const [made, setMade] = useState<number | undefined>(known ?? planned);
  const [each, setEach] = useState<number | undefined>(part?.part.portion?.by === of ? part.part.portion.each : undefined);
  const [count, setCount] = useState(servings);
  if (!part) return null;
  const grams = made !== undefined && each !== undefined ? Math.round(gramsOfShare(part.cooked, made, each) * 10) / 10 : undefined;
  const suggestions = of === 'pieces' ? pieceCounts(part.cooked, count, made ?? count) : [];
  const enough = made !== undefined && each !== undefined && each * count <= made + 1e-9;
  const rest = (others: readonly PartFigures[]) =>
    Object.fromEntries(others.filter((one) => one !== part).map((one) => [one.part.id, equalGrams(one.cooked, count)]));
  return (
    <div className="fill-row">
      {parts.length > 1 && (
        <Field label="Part">
          <Select value={id} onChange={({ target }) => setId(target.value)}>
            {parts.map((one) => (
              <option key={one.part.id} value={one.part.id}>
                {one.part.name}
              </option>
            ))}
          </Select>
        </Field>
      )}
      <NumberField label="Boxes" amount={count} onChange={(next) => setCount(Math.max(1, Math.round(next ?? servings)))} />
      <NumberField label={of === 'pieces' ? 'Pieces made' : 'ml made'} amount={made} onChange={setMade} />
      <NumberField label={of === 'pieces' ? 'Pieces a box' : 'ml a box'} amount={each} onChange={setEach} />
      {suggestions.length > 0 && (
        <p className="fill-said">
          {suggestions.map((one) => (
            <Button
              key={one.made}
              kind="quiet"
              onClick={() => {
                setMade(one.made);
                setEach(one.each);
              }}
            >
              make {one.made} of {numberText(one.grams, 0)} g, {one.each} a box
            </Button>
          ))}
        </p>
      )}
      <p className={`fill-said ${enough || made === undefined || each === undefined ? '' : 'warn'}`}>
        {grams === undefined
          ? 'say how many were made, and how many go into a box'
          : enough
            ? `${numberText(grams, 1)} g in each box, ${numberText((made ?? 0) - (each ?? 0) * count, 0)} left`
            : `▲ ${count} boxes of ${each ?? 0} are more than ${made ?? 0}`}
      </p>
      <Button
        kind="main"
        disabled={grams === undefined || !enough}
        onClick={() =>
          onFill([
            {
              ...{ name: 'A', count, grams: { ...rest(parts), [id]: grams ?? 0 }, keep: 'fridge' as const },
              ...(holds === undefined ? {} : { holds }),
            },
          ])
        }
      >
        Fill {count}
      </Button>
    </div>
  );
}

/** Boxes as they come off the scale, one after the other: what was written is summed, and what is left is told at each. */
function OneByOne({
  found,
  holds,
  boxes,
  onBoxes,
}: {
  readonly found: Portioned;
  readonly holds: number | undefined;
  readonly boxes: readonly BatchBox[];
  readonly onBoxes: (boxes: readonly BatchBox[]) => void;
}) {
  const { parts } = found.portion;
  const [name, setName] = useState('');
  const [text, setText] = useState<Readonly<Record<string, string>>>({});
  const scale = useScale();
  const [at, setAt] = useState(parts[0]?.part.id);
  // What lies on the scale goes into the part that stands open; then the next part is weighed in after it.
  const put = (grams: number, id = at) => {
    if (id === undefined) return;
    setText((before) => ({ ...before, [id]: String(grams) }));
    setAt(parts[parts.findIndex(({ part }) => part.id === id) + 1]?.part.id ?? parts[0]?.part.id);
    scale.tell({ do: 'tare' });
  };
  const weighed = boxes.reduce((sum, { count = 1 }) => sum + count, 0);
  const read = parts.map(({ part }) => {
    const typed = (text[part.id] ?? '').trim();
    return { id: part.id, grams: typed === '' ? 0 : sumFromText(typed), typed };
  });
  const sound = read.some(({ typed }) => typed !== '') && read.every(({ grams }) => grams !== undefined && grams >= 0);
  const take = () => {
    if (!sound) return;
    const grams = Object.fromEntries(read.filter(({ grams: one }) => (one ?? 0) > 0).map(({ id, grams: one }) => [id, one ?? 0]));
    onBoxes([
      ...boxes,
      { name: name.trim() === '' ? freeName(boxes) : name.trim(), grams, keep: 'fridge', ...(holds === undefined ? {} : { holds }) },
    ]);
    setText({});
    setAt(parts[0]?.part.id);
  };
  const open = parts.find(({ part }) => part.id === at)?.part;
  return (
    <form
      className="fill-row"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <Field label="Whose">
        <Input value={name} maxLength={80} placeholder={freeName(boxes)} onChange={({ target }) => setName(target.value)} />
      </Field>
      {parts.map(({ part }, i) => (
        <Field key={part.id} label={`${part.name}, g, also a sum: 400+12`}>
          <Input
            inputMode="text"
            value={text[part.id] ?? ''}
            aria-invalid={(read[i]?.typed ?? '') !== '' && read[i]?.grams === undefined}
            className={at === part.id && scale.kind !== 'none' ? 'open-part' : ''}
            onFocus={() => setAt(part.id)}
            onKeyDown={(event) => {
              if (event.key !== ' ' || scale.kind === 'none' || (text[part.id] ?? '') !== '') return;
              event.preventDefault();
              const can = takeable(scale.state);
              if ('grams' in can) put(can.grams, part.id);
            }}
            onChange={({ target }) => setText({ ...text, [part.id]: target.value })}
          />
        </Field>
      ))}
      <p className="fill-said">
        {weighed === 0 ? 'no box yet' : `${weighed} ${weighed === 1 ? 'box' : 'boxes'} so far`};{' '}
        {parts
          .map(
            ({ part, cooked }) =>
              `${numberText(found.made.left.find((one) => one.part === part.id)?.grams ?? cooked, 0)} g ${part.name.toLowerCase()} left`,
          )
          .join(', ')}
      </p>
      <Button kind="main" type="submit" disabled={!sound}>
        Next box
      </Button>
      <div className="fill-scale">
        <ScalePanel
          scale={scale}
          wanted={open && { name: `${open.name}, ${name.trim() === '' ? freeName(boxes) : name.trim()}`, grams: undefined }}
          takeWords="Into this part"
          onTake={(grams) => put(grams)}
        />
      </div>
    </form>
  );
}
