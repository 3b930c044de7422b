import { useEffect } from 'react';
import { Link } from 'react-router';
import type { Brief } from '@portiona/core';
import { useJudgeRecipesMutation, type BriefVerdictDto } from '../../api/api.gen';

const GROUPS: readonly (readonly [BriefVerdictDto['verdict'], string, string])[] = [
  ['meets', '✓', 'ok'],
  ['perhaps', '▲', 'warn'],
];

/** Recipes and drafts that meet the brief already, or nearly. */
export function Meeting({ brief, own }: { readonly brief: Brief; readonly own: string }) {
  const [judge, { data }] = useJudgeRecipesMutation();
  const text = JSON.stringify(brief);
  useEffect(() => {
    if (text === '{}') return;
    const timer = setTimeout(() => void judge({ briefDto: { brief: JSON.parse(text) as Brief } }), 400);
    return () => clearTimeout(timer);
  }, [text, judge]);
  if (text === '{}' || !data) return null;
  const others = data.filter(({ id }) => id !== own);
  const found = others.filter(({ verdict }) => verdict !== 'misses');
  return (
    <section aria-label="Recipes that meet the brief">
      <h2 className="brief-head">What meets it already</h2>
      {found.length === 0 && <p className="muted">None of the other {others.length} recipes: it is yours to design.</p>}
      {GROUPS.map(([verdict, glyph, tone]) =>
        found
          .filter((one) => one.verdict === verdict)
          .map(({ id, title, missed, uncomputed }) => (
            <p key={id} className="py-0.5">
              <span className={tone} aria-hidden>
                {glyph}
              </span>{' '}
              <Link className="font-serif hover:underline" to={`/recipes/${id}/build`}>
                {title}
              </Link>{' '}
              <span className="faint text-small">
                {uncomputed !== null
                  ? `nobody can tell: ${uncomputed}`
                  : verdict === 'meets'
                    ? 'meets it'
                    : 'perhaps: a band reaches over, or something is not known'}
                {missed > 0 && `, ${missed} ${missed === 1 ? 'wish' : 'wishes'} missed`}
              </span>
            </p>
          )),
      )}
    </section>
  );
}
