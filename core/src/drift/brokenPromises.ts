import type { CardContent } from '../card/index.js';
import type { Finding } from '../check/index.js';

/** What Check finds where a dish says of itself what its figures do not give. */
const PROMISES: ReadonlySet<string> = new Set(['promise-broken', 'claim-typed', 'brief-missed']);

/**
 * What a published card promises and the dish no longer keeps: claims it prints, what its title or lead says of its figures, the
 * targets of its brief.
 *
 * @param was the card as it was published
 * @param now the card as it would be printed
 * @param then what Check would have found when it was published; what it found then already broke no promise since
 * @param found what Check finds now
 */
export function brokenPromises(
  was: CardContent,
  now: CardContent,
  then: readonly Pick<Finding, 'code' | 'at'>[],
  found: readonly Pick<Finding, 'code' | 'at' | 'message'>[],
): readonly string[] {
  const claims = (was.claims ?? []).filter((claim) => !(now.claims ?? []).includes(claim));
  const before = new Set(then.map(({ code, at }) => `${code} ${at}`));
  return [
    ...claims.map((claim) => `It prints “${claim}”, and may no longer be called so.`),
    ...found.flatMap(({ code, at, message }) => (PROMISES.has(code) && !before.has(`${code} ${at}`) ? [message] : [])),
  ];
}
