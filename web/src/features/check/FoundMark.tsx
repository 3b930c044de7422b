import { Link, useParams } from 'react-router';
import type { Finding } from '@portiona/core';
import './foundMark.css';

interface FoundMarkProps {
  readonly findings: readonly Finding[];
  /** What they are found in, for who hears it: "this line". */
  readonly of: string;
}

/** A mark where something was found, and the way to it: paprika where it is wrong, saffron where somebody should look. */
export function FoundMark({ findings, of }: FoundMarkProps) {
  const { recipeId = '' } = useParams();
  const [first] = findings;
  if (!first) return null;
  const wrong = findings.some(({ severity }) => severity === 'wrong');
  const words = findings.map(({ message }) => message).join('\n');
  return (
    <Link
      className={`found-mark ${wrong ? 'bad' : 'warn'}`}
      to={{ pathname: `/recipes/${recipeId}/check`, search: `?at=${encodeURIComponent(first.at)}` }}
      title={words}
      aria-label={`${wrong ? '✕' : '▲'} Check found something in ${of}: ${first.message}`}
    >
      {wrong ? '✕' : '▲'}
    </Link>
  );
}
