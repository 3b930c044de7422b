import type { SessionHere } from './useSession';

/** What a session is called, changed where it stands. */
export function SessionName({
  session,
  onName,
}: {
  readonly session: SessionHere['session'];
  readonly onName: (name: string | undefined) => void;
}) {
  const { name = '' } = session;
  return (
    <input
      className="session-name"
      aria-label="Name of the session"
      value={name}
      placeholder="Session"
      maxLength={60}
      size={Math.max(6, name.length)}
      onChange={({ target }) => onName(target.value === '' ? undefined : target.value)}
    />
  );
}
