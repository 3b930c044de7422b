import { useState } from 'react';
import { IfMay } from '../account/IfMay';
import { dayText } from '@portiona/core';
import { useListCardIssuesQuery, usePutCardOutAgainMutation, useTakeCardBackMutation, type CardIssueDto } from '../../api/api.gen';
import { problemOf, problemText } from '../../api/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Input } from '../../ui/Input';
import { useToast } from '../../ui/Toasts';
import { Drifts } from './Drifts';
import './cards.css';

interface CardIssuesProps {
  readonly recipeId: string;
  /** The issue that is looked at; undefined: the card as it stands. */
  readonly issue: number | undefined;
  readonly onIssue: (issue: number | undefined) => void;
}

/** Every issue of a card, the newest first: what it changed, what it put right, and whether it was taken back. */
export function CardIssues({ recipeId, issue, onIssue }: CardIssuesProps) {
  const { data: issues, error } = useListCardIssuesQuery({ id: recipeId }, { refetchOnMountOrArgChange: true });
  if (error) return <p className="bad">✕ {problemText(problemOf(error))}</p>;
  if (!issues) return <p className="muted">Looking …</p>;
  return (
    <ol className="card-issues">
      {issues.map((one) => (
        <IssueRow key={one.issue} recipeId={recipeId} one={one} isSeen={one.issue === issue} onIssue={onIssue} />
      ))}
    </ol>
  );
}

interface IssueRowProps extends Pick<CardIssuesProps, 'recipeId' | 'onIssue'> {
  readonly one: CardIssueDto;
  readonly isSeen: boolean;
}

function IssueRow({ recipeId, one, isSeen, onIssue }: IssueRowProps) {
  const { issue, publishedAt, printed, changed, correction, takenBack } = one;
  const [open, setOpen] = useState(false);
  const [asking, setAsking] = useState(false);
  const [putOutAgain] = usePutCardOutAgainMutation();
  const say = useToast();
  return (
    <li className={takenBack === null ? '' : 'taken-back'}>
      <p className="card-issue-head">
        <b>Issue {issue}</b>
        <span className="muted">{dayText(publishedAt.slice(0, 10), true)}</span>
        <span>
          {printed
            .map(({ text, unit, name }) => (name === 'Energy' || name === 'Protein' ? `${text} ${unit}` : `${unit} ${text}`))
            .join(', ')}
        </span>
      </p>
      {takenBack !== null && <p className="warn">▲ Taken back: {takenBack}</p>}
      {correction !== '' && <p className="text-compact">{correction}</p>}
      <p className="card-issue-does">
        <Button kind="quiet" onClick={() => onIssue(isSeen ? undefined : issue)}>
          {isSeen ? 'As it stands' : 'Look at it'}
        </Button>
        {changed.length > 0 && (
          <Button kind="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
            {changed.length === 1 ? 'One thing' : `${changed.length} things`} changed since issue {issue - 1} {open ? '▴' : '▾'}
          </Button>
        )}
        {takenBack === null ? (
          <IfMay right="publish">
            <Button kind="quiet" aria-expanded={asking} onClick={() => setAsking(!asking)}>
              Take it back …
            </Button>
          </IfMay>
        ) : (
          <IfMay right="publish">
            <Button
              kind="quiet"
              onClick={() =>
                void putOutAgain({ id: recipeId, issue })
                  .unwrap()
                  .catch((error: unknown) => say(problemText(problemOf(error))))
              }
            >
              Put it out again
            </Button>
          </IfMay>
        )}
      </p>
      {asking && takenBack === null && <TakingBack recipeId={recipeId} issue={issue} onDone={() => setAsking(false)} />}
      {open && <Drifts drift={changed} />}
    </li>
  );
}

function TakingBack({ recipeId, issue, onDone }: { readonly recipeId: string; readonly issue: number; readonly onDone: () => void }) {
  const [because, setBecause] = useState('');
  const [takeBack] = useTakeCardBackMutation();
  const say = useToast();
  return (
    <form
      className="card-taking-back"
      onSubmit={(event) => {
        event.preventDefault();
        if (because.trim() === '') return;
        takeBack({ id: recipeId, issue, takingBackDto: { because: because.trim() } })
          .unwrap()
          .then(onDone)
          .catch((error: unknown) => say(problemText(problemOf(error))));
      }}
    >
      <Field label={`Why issue ${issue} is not to be followed`}>
        <Input value={because} maxLength={500} onChange={({ target }) => setBecause(target.value)} />
      </Field>
      <Button type="submit" disabled={because.trim() === ''}>
        Take it back
      </Button>
    </form>
  );
}
