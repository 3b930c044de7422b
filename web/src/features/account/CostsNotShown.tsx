/** Stands where everything is about money, for whoever it is not shown to. */
export function CostsNotShown({ what }: { readonly what: string }) {
  return (
    <div className="empty">
      <h2>Costs are not shown to you here</h2>
      <p className="muted">{what} An owner of the kitchen can let you see costs, under Members.</p>
    </div>
  );
}
