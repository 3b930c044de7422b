import { Link } from 'react-router';
import type { Kitchen, PartFigures, WorkedFigure, WorkingLine } from '@portiona/core';
import { pathText, rateText, shareText, sourceText, weightText } from './workingTexts';
import { numberText } from '../ui/numberText';

/** The rows of one part in a working: its lines by what they bring, largest first, and those that bring nothing in one. */
export function WorkingPart({
  part,
  lines,
  figure,
  kitchen,
  show,
  many,
}: {
  readonly part: PartFigures;
  readonly lines: readonly WorkingLine[];
  readonly figure: WorkedFigure;
  readonly kitchen: Kitchen;
  readonly show: (amount: number) => string;
  readonly many: boolean;
}) {
  const nothing = lines.filter(({ batch }) => batch === 0);
  const ordered = lines.filter(({ batch }) => batch !== 0).sort((a, b) => Math.abs(b.batch ?? Infinity) - Math.abs(a.batch ?? Infinity));
  return (
    <>
      {many && (
        <tr className="of">
          <td colSpan={6}>
            {part.part.name}: {shareText(part)}
          </td>
        </tr>
      )}
      {ordered.map((line) => (
        <LineRows key={line.at} line={line} figure={figure} kitchen={kitchen} show={show} depth={0} />
      ))}
      {nothing.length > 0 && (
        <tr>
          <td colSpan={4} className="src">
            nothing from {nothing.map(({ name }) => name.split(',')[0]?.toLowerCase()).join(', ')}
          </td>
          <td className="num faint">{show(0)}</td>
          <td className="num faint">{show(0)}</td>
        </tr>
      )}
      {figure === 'weight' && (
        <tr>
          <td>
            {part.part.name}{' '}
            {part.learned
              ? `by what ${part.learned.batches} batches kept, ${numberText(part.learned.mean, 3)} ± ${numberText(part.learned.sd, 3)}, less what is thrown away`
              : part.estimated
                ? 'by yield, less what is thrown away'
                : 'as weighed'}{' '}
            <span className="src">{shareText(part)}</span>
          </td>
          <td />
          <td />
          <td />
          <td className="num">{show(part.cooked)}</td>
          <td className="num">{show(part.share.portion)}</td>
        </tr>
      )}
    </>
  );
}

interface LineRowsProps {
  readonly line: WorkingLine;
  readonly figure: WorkedFigure;
  readonly kitchen: Kitchen;
  readonly show: (amount: number) => string;
  /** How many recipes down. */
  readonly depth: number;
}

/** A line, and under a part of another recipe the lines that make it up, as much of them as comes in. */
function LineRows({ line, figure, kitchen, show, depth }: LineRowsProps) {
  const inside = line.inside
    .filter(({ batch }) => batch !== 0)
    .sort((a, b) => Math.abs(b.batch ?? Infinity) - Math.abs(a.batch ?? Infinity));
  return (
    <>
      <tr className={depth > 0 ? 'inside' : ''}>
        <td style={{ paddingLeft: depth * 16 }}>
          <LineName line={line} figure={figure} />
          {pathText(line, figure) !== '' && <span className="src block">{pathText(line, figure)}</span>}
        </td>
        <td className="num">{weightText(line, figure)}</td>
        <td className="num">{rateText(line, figure, kitchen)}</td>
        <td className="src">{sourceText(line, figure)}</td>
        <td className="num">{line.batch === undefined ? <b className="warn">?</b> : show(line.batch)}</td>
        <td className="num">{line.serving === undefined ? '' : show(line.serving)}</td>
      </tr>
      {inside.map((one) => (
        <LineRows key={one.at} line={one} figure={figure} kitchen={kitchen} show={show} depth={depth + 1} />
      ))}
    </>
  );
}

function LineName({ line, figure }: { readonly line: WorkingLine; readonly figure: WorkedFigure }) {
  const { of } = line.figures;
  if (of.kind === 'unmatched') return <>{line.name}</>;
  if (of.kind === 'part') return <Link to={`/recipes/${of.recipe.id}/build?working=${figure}`}>{line.name}</Link>;
  return (
    <Link to={`/pantry/${of.resolved.food.id}?show=${figure}`}>
      {line.takenAway && 'less '}
      {line.name}
    </Link>
  );
}
