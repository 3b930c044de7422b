import { useState } from 'react';
import { useChangeReadersAddressMutation, useGetReadersAddressQuery, type ReadersAddressDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { DropPanel } from '../../ui/DropPanel';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import './readersAddress.css';

/** Where anybody reads what the kitchen has published: off at first, switched on here. */
export function ReadersAddress() {
  const address = useGetReadersAddressQuery(undefined, { refetchOnMountOrArgChange: true }).data;
  if (!address) return null;
  return (
    <DropPanel
      trigger={
        <Button>
          {address.on ? <span className="ok">● Readers may read</span> : 'For readers'} <span aria-hidden>▾</span>
        </Button>
      }
      className="w-[420px] max-w-[94vw] p-3"
      label="Address for readers"
    >
      <Switch key={`${address.name} ${address.on}`} address={address} />
    </DropPanel>
  );
}

function Switch({ address }: { readonly address: ReadersAddressDto }) {
  const { on, url, cards, takenBack } = address;
  const [name, setName] = useState(address.name);
  const [problem, setProblem] = useState('');
  const [change, { isLoading }] = useChangeReadersAddressMutation();
  const save = (next: boolean) => {
    setProblem('');
    change({ readersAddressChangeDto: { on: next, name: name.trim() } })
      .unwrap()
      .catch((error: unknown) => setProblem(problemText(problemOf(error))));
  };
  const renamed = name.trim() !== address.name;
  return (
    <div className="readers-address">
      <p className={on ? 'ok' : 'muted'}>
        {on ? '● Anybody who can reach this server may read what is published.' : '○ Off: nobody but you reads anything.'}
      </p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          save(on);
        }}
      >
        <Field label="Its name in the address">
          <Input value={name} aria-invalid={problem !== ''} maxLength={60} onChange={({ target }) => setName(target.value)} />
        </Field>
        {problem !== '' && (
          <p className="bad" role="alert">
            ✕ {problem}
          </p>
        )}
        {renamed && on && <p className="warn text-compact">▲ Links to the address it has now lead nowhere once it is called otherwise.</p>}
        <p className="readers-does">
          <Button kind={on ? 'plain' : 'main'} disabled={isLoading} onClick={() => save(!on)}>
            {on ? 'Switch it off' : 'Switch it on'}
          </Button>
          {renamed && on && (
            <Button type="submit" disabled={isLoading}>
              Rename it
            </Button>
          )}
        </p>
      </form>
      <dl>
        <dt>Found there</dt>
        <dd>
          {cards === 0 ? 'nothing yet' : cards === 1 ? 'one card' : `${cards} cards`}
          {takenBack > 0 && `; ${takenBack} taken back, whose address says why`}. The newest issue of each, never a draft; of dishes put
          away, none.
        </dd>
        <dt>Address</dt>
        <dd>{on ? <Out href={url} words={url} /> : url}</dd>
        {on && (
          <>
            <dt>Feeds</dt>
            <dd>
              <Out href={`${url}/feed.atom`} words="Atom" />, <Out href={`${url}/feed.json`} words="JSON Feed" />,{' '}
              <Out href={`${url}/sitemap.xml`} words="sitemap" />
            </dd>
          </>
        )}
      </dl>
      <p className="muted text-compact">This server listens on this machine alone. To let readers in from outside, see docs/readers.md.</p>
    </div>
  );
}

function Out({ href, words }: { readonly href: string; readonly words: string }) {
  return (
    <a className="underline" href={href} target="_blank" rel="noreferrer">
      {words}
    </a>
  );
}
