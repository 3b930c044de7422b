const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Firefox\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrom(?:e|ium)\//, 'Chromium'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/Android/, 'Android'],
  [/iPhone|iPad/, 'iOS'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'macOS'],
  [/Linux/, 'Linux'],
];

/** What a browser calls itself, in a word or two; as it says it where neither is known. */
export function browserWords(agent: string): string {
  const browser = BROWSERS.find(([sign]) => sign.test(agent))?.[1];
  const system = SYSTEMS.find(([sign]) => sign.test(agent))?.[1];
  return [browser, system].filter(Boolean).join(' on ') || agent.slice(0, 40) || 'a program';
}
