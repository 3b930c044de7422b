/** What stands behind the # of the address: browsers send it nowhere. It is taken out of the address at once, so that it stands in no history. */
export function secretInAddress(): string {
  const secret = window.location.hash.slice(1);
  if (secret !== '') window.history.replaceState(window.history.state, '', window.location.pathname + window.location.search);
  return secret;
}
