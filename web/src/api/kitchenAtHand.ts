/** Pages of a kitchen lie under its key. */
const OF_A_KITCHEN = /^\/k\/([^/]+)/;

/** The key of the kitchen that this page is of; empty: it is of none. Another kitchen is another page, loaded anew: nothing of one is at hand in another. */
export const kitchenKey = (typeof window === 'undefined' ? undefined : OF_A_KITCHEN.exec(window.location.pathname)?.[1]) ?? '';

/** Where pages of a kitchen begin. @param key empty: of none */
export function kitchenPath(key: string): string {
  return key === '' ? '' : `/k/${key}`;
}

/** Where the server is asked for something of the kitchen at hand. @param path as it stands in the kitchen: "/recipes" */
export function kitchenAddress(path: string): string {
  return `/api/kitchens/${kitchenKey}${path === '/' ? '' : path}`;
}

/** What the browser keeps something of the kitchen at hand under. */
export function keptName(name: string): string {
  return `portiona:${kitchenKey}:${name}`;
}
