import { labelNotKnownText, qrModules, type BoxLabel } from '@portiona/core';
import './labels.css';

/** A label as it lies on the box. */
export function LabelPaper({ label }: { readonly label: BoxLabel }) {
  const { title, series, name, cooked, keepWords, keepDay, beyond, figures, contains, mayContain, reheat, link } = label;
  return (
    <div className="label-paper">
      <p className="label-title">{title}</p>
      <p className="label-head">
        <span>{[series, name].filter((one) => one !== '').join(' · ')}</span>
        <span>cooked {cooked}</span>
      </p>
      <p className="label-until">
        <span>{keepWords}</span>
        <b>{keepDay}</b>
      </p>
      {beyond !== '' && <p>{beyond}</p>}
      <div className="label-figures">
        <dl>
          {figures.map((figure) => (
            <div key={figure.name}>
              <dt>{figure.name}</dt>
              <dd>{figure.text}</dd>
            </div>
          ))}
        </dl>
        <QrCode text={link} />
      </div>
      {contains.length > 0 && (
        <p>
          Contains <b>{contains.join(', ')}</b>
        </p>
      )}
      {mayContain.length > 0 && <p>May contain {mayContain.join(', ')}</p>}
      {label.notKnown.length > 0 && (
        <p>
          <b>{labelNotKnownText(label)}</b>
        </p>
      )}
      <p>{reheat}</p>
    </div>
  );
}

/** A code that leads to the batch. */
export function QrCode({ text }: { readonly text: string }) {
  const modules = qrModules(text);
  const d = modules.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join('');
  return (
    <svg
      className="label-code"
      viewBox={`-1 -1 ${modules.length + 2} ${modules.length + 2}`}
      role="img"
      aria-label={`Code that leads to ${text}`}
    >
      <path d={d} shapeRendering="crispEdges" fill="#000" />
    </svg>
  );
}
