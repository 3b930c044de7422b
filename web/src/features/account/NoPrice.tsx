import { useMay } from './useMe';

/** Stands where a price would: there is none; or there may be, and it is not shown to whoever looks. */
export function NoPrice() {
  return useMay('costs') ? (
    <span className="faint">no price</span>
  ) : (
    <span className="faint text-small" title="Costs of this kitchen are not shown to you">
      not shown
    </span>
  );
}
