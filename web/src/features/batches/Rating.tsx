/** How it tasted, of five: a little box filled so far. */
export function Rating({ rating }: { readonly rating: number | null }) {
  if (rating === null) return <span className="faint">–</span>;
  return (
    <span className="rating" title={`Tasted: ${rating} of 5`}>
      <i style={{ '--full': `${rating * 20}%` } as React.CSSProperties} aria-hidden />
      {rating}
      <span className="sr"> of 5</span>
    </span>
  );
}
