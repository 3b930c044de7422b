import { useRecipeState } from '../recipes/useRecipeState';
import { NoteMark } from './NoteMark';

interface LineNotesProps {
  readonly part: number;
  readonly line: string;
  readonly of: string;
}

/** Notes that wait on a line of the dish at hand: a line is known within its part. */
export function LineNotes({ part, line, of }: LineNotesProps) {
  const id = useRecipeState().present?.parts[part]?.id;
  return id === undefined ? null : <NoteMark place={`line/${id}/${line}`} of={of} />;
}
