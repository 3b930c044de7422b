import { useState } from 'react';
import { type Session, type SessionPlan } from '@portiona/core';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { startFor, startOf, withEquipment, withKeys } from './sessionEdits';
import { cookName } from './planWords';

interface ControlProps {
  readonly session: Session;
  readonly onChange: (next: (session: Session) => Session) => void;
}

/** When it begins, or when it is to be over. */
export function StartControl({ session, plan, onChange }: ControlProps & { readonly plan: SessionPlan | undefined }) {
  const { finishBy } = session;
  const [text, setText] = useState<string>();
  const tooLate = finishBy !== undefined && plan !== undefined && startFor(finishBy, plan.minutes) === undefined;
  return (
    <DropPanel
      label="Day and time"
      align="end"
      className="p-3 w-[290px] grid gap-3"
      trigger={
        <Button>
          {finishBy === undefined ? 'Start' : 'Over by'} <b>{finishBy ?? startOf(session)}</b> ▾
        </Button>
      }
    >
      <Field label="Day">
        <Input
          type="date"
          value={session.date}
          onChange={({ target }) => target.value !== '' && onChange((one) => withKeys(one, { date: target.value }))}
        />
      </Field>
      <Field label="Start at">
        <Input
          type="time"
          value={startOf(session)}
          onChange={({ target }) => target.value !== '' && onChange((one) => withKeys(one, { start: target.value, finishBy: undefined }))}
        />
      </Field>
      <Field label="Or be over by">
        <Input
          type="time"
          value={text ?? finishBy ?? ''}
          onChange={({ target }) => {
            setText(target.value);
            const { value } = target;
            if (value === '') onChange((one) => withKeys(one, { finishBy: undefined }));
            else
              onChange((one) => withKeys(one, { finishBy: value, ...(plan ? { start: startFor(value, plan.minutes) ?? one.start } : {}) }));
          }}
        />
      </Field>
      {tooLate && (
        <p className="warn text-small" role="status">
          ▲ It takes longer than from midnight till then: begin the day before, or take a dish out.
        </p>
      )}
    </DropPanel>
  );
}

/** Who cooks. */
export function CooksControl({ session, onChange }: ControlProps) {
  const { cooks = 1, cookNames = [] } = session;
  const setCooks = (count: number) =>
    onChange((one) => withKeys(one, { cooks: count === 1 ? undefined : count, cookNames: (one.cookNames ?? []).slice(0, count) }));
  return (
    <DropPanel
      label="Cooks"
      align="end"
      className="p-3 w-[250px] grid gap-3"
      trigger={
        <Button>
          {cooks === 1 ? 'Cook' : 'Cooks'}{' '}
          <b>
            {Array.from({ length: cooks }, (_, i) => cookName(session, i + 1))
              .join(', ')
              .slice(0, 30)}
          </b>{' '}
          ▾
        </Button>
      }
    >
      {Array.from({ length: cooks }, (_, i) => (
        <Field key={i} label={cooks === 1 ? 'Who cooks' : `Cook ${i + 1}`}>
          <Input
            value={cookNames[i] ?? ''}
            maxLength={60}
            placeholder={`cook ${i + 1}`}
            onChange={({ target }) =>
              onChange((one) =>
                withKeys(one, {
                  cookNames: Array.from({ length: Math.max(cookNames.length, i + 1) }, (__, n) =>
                    n === i ? target.value : (cookNames[n] ?? ''),
                  ),
                }),
              )
            }
          />
        </Field>
      ))}
      <div className="flex gap-2">
        <Button onClick={() => setCooks(cooks + 1)} disabled={cooks >= 6}>
          One more
        </Button>
        {cooks > 1 && <Button onClick={() => setCooks(cooks - 1)}>One less</Button>}
      </div>
    </DropPanel>
  );
}

/** What there is to cook with: units of each thing that steps hold, and places in each. */
export function EquipmentControl({ session, names, onChange }: ControlProps & { readonly names: readonly string[] }) {
  const { equipment = [], ovenTolerance = 0 } = session;
  const all = [...new Set([...names, ...equipment.map(({ name }) => name)])];
  const unused = equipment.filter(({ name }) => !names.includes(name));
  const number = (text: string, least: number) => Math.min(20, Math.max(least, Math.round(Number(text)) || least));
  return (
    <DropPanel label="Equipment" align="end" className="p-3 w-[330px]" trigger={<Button>Equipment ▾</Button>}>
      <table className="equipment">
        <thead>
          <tr>
            <th scope="col">what steps hold</th>
            <th scope="col">of them</th>
            <th scope="col">places</th>
          </tr>
        </thead>
        <tbody>
          {all.map((name) => {
            const own = equipment.filter((one) => one.name === name);
            const count = own.length === 0 ? 1 : own.reduce((sum, one) => sum + (one.count ?? 1), 0);
            const shelves = own[0]?.shelves ?? 1;
            return (
              <tr key={name}>
                <th scope="row">{name === 'hob' ? 'hob, rings' : name}</th>
                <td>
                  <Input
                    type="number"
                    min={0}
                    max={20}
                    value={count}
                    aria-label={`How many of ${name}`}
                    onChange={({ target }) => onChange((one) => withEquipment(one, { name, count: number(target.value, 0), shelves }))}
                  />
                </td>
                <td>
                  <Input
                    type="number"
                    min={1}
                    max={20}
                    value={shelves}
                    aria-label={`Places in each of ${name}`}
                    onChange={({ target }) => onChange((one) => withEquipment(one, { name, count, shelves: number(target.value, 1) }))}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {unused.length > 0 && <p className="muted text-small mt-2">No step holds {unused.map(({ name }) => name).join(', ')}.</p>}
      <Field label="Degrees that may lie between two things in one oven" className="mt-3">
        <Input
          type="number"
          min={0}
          max={100}
          value={ovenTolerance}
          onChange={({ target }) => {
            const degrees = Math.min(500, Math.max(0, Number(target.value) || 0));
            onChange((one) => withKeys(one, { ovenTolerance: degrees === 0 ? undefined : degrees }));
          }}
        />
      </Field>
    </DropPanel>
  );
}

/** Running late: from which minute, by how much; all that is not done yet is planned anew from now. */
export function LateControl({
  now,
  onLate,
}: {
  readonly now: number | undefined;
  readonly onLate: (minute: number, late: number) => void;
}) {
  const [open, setOpen] = useState(false);
  const [late, setLate] = useState('10');
  const [minute, setMinute] = useState<string>();
  const at = now ?? (minute === undefined || minute === '' ? undefined : Math.round(Number(minute)));
  const by = Math.round(Number(late));
  const sound = at !== undefined && Number.isFinite(at) && at >= 0 && Number.isFinite(by) && by >= 0;
  return (
    <DropPanel
      label="Running late"
      align="end"
      className="p-3 w-[280px] grid gap-3"
      open={open}
      onOpenChange={setOpen}
      trigger={<Button kind="main">Running late …</Button>}
    >
      <Field label="By how many minutes">
        <Input type="number" min={0} max={600} value={late} onChange={({ target }) => setLate(target.value)} />
      </Field>
      {now === undefined && (
        <Field label="Minutes since it began (it is not its day by the clock)">
          <Input type="number" min={0} value={minute ?? ''} onChange={({ target }) => setMinute(target.value)} />
        </Field>
      )}
      <p className="muted text-small">
        What should be over by then counts as done, what should have begun as under way; all else is planned anew.
      </p>
      <Button
        kind="main"
        disabled={!sound}
        onClick={() => {
          if (!sound) return;
          setOpen(false);
          onLate(at, by);
        }}
      >
        Plan on from now
      </Button>
    </DropPanel>
  );
}
