import { useState } from 'react';
import { useEndTokenMutation, useListTokensQuery, useMakeTokenMutation, type MadeTokenDto, type NewTokenDto } from '../../api/api.gen';
import { kitchenAddress } from '../../api/kitchenAtHand';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { Remark } from '../../ui/Remark';
import { Select } from '../../ui/Select';
import { UnreadPage } from '../../ui/UnreadPage';
import { dayAndTime } from '../account/dayAndTime';
import { useMembership } from '../account/useMe';
import { KitchenFrame } from './KitchenFrame';

/** What a token may be let do, and in words. */
const RIGHTS: readonly (readonly [NewTokenDto['rights'][number], string])[] = [
  ['read', 'see dishes, foods, batches, cards and plans'],
  ['costs', 'see what anything costs'],
  ['comment', 'write notes'],
  ['cook', 'begin, cook and log batches'],
  ['edit', 'change dishes, foods, prices and plans'],
  ['publish', 'publish cards'],
];
const DAYS = [7, 30, 90, 366];

/** Tokens by which programs ask in this kitchen in one's place. */
export function TokensPage() {
  const { data: tokens, error, refetch } = useListTokensQuery(undefined, { refetchOnMountOrArgChange: true });
  const [make, { isLoading }] = useMakeTokenMutation();
  const [end] = useEndTokenMutation();
  const here = useMembership();
  const [asked, setAsked] = useState<{ readonly name: string; readonly rights: NewTokenDto['rights']; readonly days: number }>({
    name: '',
    rights: ['read'],
    days: 90,
  });
  const [made, setMade] = useState<MadeTokenDto>();
  const [trouble, setTrouble] = useState('');
  if (error) return <UnreadPage why={problemText(problemOf(error))} onRetry={() => void refetch()} />;
  const say = (refused: unknown) => setTrouble(problemText(problemOf(refused)));
  const add = async () => {
    try {
      setMade(await make({ newTokenDto: asked }).unwrap());
      setAsked({ ...asked, name: '' });
      setTrouble('');
      void refetch();
    } catch (refused) {
      say(refused);
    }
  };
  return (
    <KitchenFrame>
      <p className="muted members-lead">
        A program asks at <code>{window.location.origin + kitchenAddress('/recipes')}</code> and says <code>Authorization: Bearer …</code>.
        It may do what you give it of what you may yourself, until its day, or until you end it.
      </p>
      {trouble !== '' && <Remark tone="bad">{trouble}</Remark>}
      {made && (
        <div className="members-link" role="status">
          <p>The token “{made.name}”. It is shown this once; of it only a digest is kept:</p>
          <p className="flex gap-2">
            <Input readOnly aria-label="The new token" value={made.token} onFocus={({ target }) => target.select()} />
            <Button onClick={() => void navigator.clipboard?.writeText(made.token)}>Copy</Button>
          </p>
        </div>
      )}
      <ul className="members-waiting">
        {tokens?.map(({ id, name, of, own, rights, expiresAt, usedAt }) => (
          <li key={id}>
            <span>
              {name} {!own && <span className="muted">of {of}</span>}
              <span className="faint text-small block">
                {rights.join(', ')}; until {dayAndTime(expiresAt)};{' '}
                {usedAt === undefined ? 'never used' : `used last ${dayAndTime(usedAt)}`}
              </span>
            </span>
            <Button kind="quiet" aria-label={`End it: ${name}`} onClick={() => void end({ id }).unwrap().then(refetch, say)}>
              End it
            </Button>
          </li>
        ))}
      </ul>
      <h2>A new one</h2>
      <form
        className="members-token"
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}
      >
        <Field label="Called">
          <Input
            required
            maxLength={80}
            placeholder="the printer in the shop"
            value={asked.name}
            onChange={({ target }) => setAsked({ ...asked, name: target.value })}
          />
        </Field>
        <Field label="Holds for">
          <Select value={asked.days} onChange={({ target }) => setAsked({ ...asked, days: Number(target.value) })}>
            {DAYS.map((days) => (
              <option key={days} value={days}>
                {days === 366 ? 'a year' : `${days} days`}
              </option>
            ))}
          </Select>
        </Field>
        <fieldset>
          <legend>May</legend>
          {RIGHTS.filter(([right]) => here?.rights.includes(right)).map(([right, words]) => (
            <label key={right} className="flex gap-2 items-center">
              <input
                type="checkbox"
                disabled={right === 'read'}
                checked={asked.rights.includes(right)}
                onChange={({ target }) =>
                  setAsked({ ...asked, rights: target.checked ? [...asked.rights, right] : asked.rights.filter((one) => one !== right) })
                }
              />
              {words}
            </label>
          ))}
        </fieldset>
        <Button kind="main" disabled={isLoading}>
          Make it
        </Button>
      </form>
    </KitchenFrame>
  );
}
