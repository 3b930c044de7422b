/** Class names that apply, as one attribute: nothing where there are none. */
export function classes(...names: readonly (string | false | undefined)[]): string | undefined {
  const applying = names.filter(Boolean);
  return applying.length > 0 ? applying.join(' ') : undefined;
}
