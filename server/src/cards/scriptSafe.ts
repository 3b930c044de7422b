/** JSON for a script element: text in it cannot end the element. */
export function scriptSafe(json: object, indent = 0): string {
  return JSON.stringify(json, null, indent)
    .replace(/</g, '\\u003c')
    .replace(/\u2028/g, '\\u2028')
    .replace(/\u2029/g, '\\u2029');
}
