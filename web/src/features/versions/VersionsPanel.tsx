import { useEffect, useId, useState } from 'react';
import { IfMay } from '../account/IfMay';
import { dayText, type Recipe } from '@portiona/core';
import { useKeepVersionMutation, useListVersionsQuery, type VersionDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { SidePanel } from '../../ui/SidePanel';
import { useToast } from '../../ui/Toasts';
import { clockText, dayOf } from '../../ui/timeText';
import type { LoadedKitchen } from '../kitchen/useKitchen';
import { useRecipeState } from '../recipes/useRecipeState';
import { VersionCompared } from './VersionCompared';
import { reasonsOf, versionDays } from './versionWords';
import { Chip } from '../../ui/Chip';
import { Input } from '../../ui/Input';
import { Field } from '../../ui/Field';
import { Button } from '../../ui/Button';
import './versions.css';

interface VersionsPanelProps {
  readonly recipe: Recipe;
  readonly here: LoadedKitchen;
  readonly onClose: () => void;
}

/** What the recipe was: versions that stay, and drafts until they go; each compared with what it is, and taken back. */
export function VersionsPanel({ recipe, here, onClose }: VersionsPanelProps) {
  const { revision, saveState } = useRecipeState();
  const { data: versions, refetch, error } = useListVersionsQuery({ id: recipe.id }, { refetchOnMountOrArgChange: true });
  const [open, setOpen] = useState<number>();
  const [unfolded, setUnfolded] = useState<ReadonlySet<number>>(new Set());
  useEffect(() => void refetch(), [revision, refetch]);
  const row = (version: VersionDto) => (
    <li key={version.revision} className={open === version.revision ? 'open' : ''}>
      <button
        className="version"
        aria-expanded={open === version.revision}
        onClick={() => setOpen(open === version.revision ? undefined : version.revision)}
      >
        <time dateTime={version.savedAt}>{clockText(version.savedAt)}</time>
        <span className="why">
          {reasonsOf(version).map((reason) => (
            <Chip key={reason}>{reason}</Chip>
          ))}
          {version.because.includes('draft') && <span className="faint">draft</span>}
          {version.title !== recipe.title && <span className="font-serif">{version.title}</span>}
        </span>
        <span className="faint">{version.own ? 'you' : version.savedBy}</span>
      </button>
      {open === version.revision && <VersionCompared version={version} recipe={recipe} here={here} onChanged={() => void refetch()} />}
    </li>
  );
  return (
    <SidePanel label="Versions" subject="versions" onClose={onClose} className="fitting">
      <h2>Versions</h2>
      <p className="intro">
        A version stays when a card was published from it, a batch was cooked from it, a dish rests on it, you named it, or it was the last
        of its day. Drafts in between go within a day.
      </p>
      {error !== undefined && (
        <p className="bad" role="alert">
          {problemText(problemOf(error))}
        </p>
      )}
      <IfMay right="edit">
        <NameNow id={recipe.id} revision={revision} ready={saveState === 'saved'} onNamed={() => void refetch()} />
      </IfMay>
      {versionDays(versions ?? []).map(({ day, rows }) => (
        <section key={day} aria-label={dayText(day, true)}>
          <h3>{day === dayOf(new Date()) ? 'Today' : dayText(day, true)}</h3>
          <ol className="versions">
            {rows.map((one) => {
              if ('version' in one) return row(one.version);
              const [first, last] = [one.drafts[0], one.drafts.at(-1)];
              if (!first || !last) return null;
              if (first === last || unfolded.has(first.revision)) return one.drafts.map(row);
              return (
                <li key={`${first.revision} drafts`}>
                  <button className="version" onClick={() => setUnfolded(new Set([...unfolded, first.revision]))}>
                    <time dateTime={first.savedAt}>{clockText(first.savedAt)}</time>
                    <span className="faint">
                      {one.drafts.length} drafts, back to {clockText(last.savedAt)}
                    </span>
                  </button>
                </li>
              );
            })}
          </ol>
        </section>
      ))}
    </SidePanel>
  );
}

interface NameNowProps {
  readonly id: string;
  readonly revision: number;
  /** Whether what is on the desk is saved. */
  readonly ready: boolean;
  readonly onNamed: () => void;
}

/** Keeps the recipe as it is now, by a name. */
function NameNow({ id, revision, ready, onNamed }: NameNowProps) {
  const field = useId();
  const [name, setName] = useState('');
  const [keep, { isLoading }] = useKeepVersionMutation();
  const say = useToast();
  const submit = () => {
    keep({ id, revision, keepVersionDto: { because: 'named', name: name.trim() } })
      .unwrap()
      .then(() => {
        setName('');
        onNamed();
      })
      .catch((error: unknown) => say(problemText(problemOf(error))));
  };
  return (
    <form
      className="flex gap-2 items-end"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Field label="Keep it as it is now, as" className="flex-1" htmlFor={field}>
        <Input
          id={field}
          data-own-undo

          value={name}
          maxLength={80}
          placeholder="as tested"
          onChange={({ target }) => setName(target.value)}
        />
      </Field>
      <Button disabled={name.trim() === '' || !ready || isLoading}>Keep</Button>
    </form>
  );
}
