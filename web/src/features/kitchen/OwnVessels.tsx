import { useState } from 'react';
import type { KitchenVessel } from '@portiona/core';
import { Button } from '../../ui/Button';
import { Input } from '../../ui/Input';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { numberText } from '../../ui/numberText';
import './ownVessels.css';

/** The kitchen's own pots and boxes: what each weighs empty, so that a full one can be weighed, and what it holds. */
export function OwnVessels({
  vessels,
  onChange,
}: {
  readonly vessels: readonly KitchenVessel[];
  readonly onChange: (vessels: KitchenVessel[]) => void;
}) {
  const [next, setNext] = useState<KitchenVessel>({ name: '', kind: 'pot' });
  const name = next.name.trim();
  const taken = vessels.some((one) => one.name === name);
  return (
    <fieldset className="own-vessels">
      <legend className="muted">Pots and boxes of the kitchen: weight empty, and what they hold</legend>
      {vessels.map((one, i) => (
        <div className="own-vessel" key={one.name}>
          <span>
            {one.name}{' '}
            <span className="muted text-small">
              {[
                one.kind,
                one.weight === undefined ? '' : `${numberText(one.weight, 0)} g`,
                one.capacity === undefined ? '' : `${numberText(one.capacity, 0)} ml`,
              ]
                .filter((word) => word !== '')
                .join(', ')}
            </span>
          </span>
          <Button kind="quiet" aria-label={`put away ${one.name}`} onClick={() => onChange(vessels.filter((_, k) => k !== i))}>
            put away
          </Button>
        </div>
      ))}
      <div className="own-vessel-new">
        <Select
          aria-label="Pot or box"
          value={next.kind}
          onChange={({ target }) => setNext({ ...next, kind: target.value as KitchenVessel['kind'] })}
        >
          <option value="pot">pot</option>
          <option value="box">box</option>
        </Select>
        <Input
          aria-label="Name of the pot or box"
          placeholder="Wide pot, 5 l"
          value={next.name}
          maxLength={80}
          onChange={({ target }) => setNext({ ...next, name: target.value })}
        />
        <NumberField label="g, empty" amount={next.weight} onChange={(weight) => setNext(withOptional(next, 'weight', weight))} />
        <NumberField label="holds, ml" amount={next.capacity} onChange={(capacity) => setNext(withOptional(next, 'capacity', capacity))} />
        <Button disabled={name === '' || taken} onClick={() => onChange([...vessels, { ...next, name }])}>
          Add
        </Button>
      </div>
      {taken && <p className="warn text-small">▲ There is one of that name.</p>}
    </fieldset>
  );
}

function withOptional(vessel: KitchenVessel, key: 'weight' | 'capacity', amount: number | undefined): KitchenVessel {
  const { [key]: _, ...rest } = vessel;
  return amount === undefined ? rest : { ...rest, [key]: amount };
}
