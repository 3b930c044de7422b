/** How much bytes are, as one says it: "840 kB", "2.4 MB", "31 GB". */
export function sizeText(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(bytes > 0 ? 1 : 0, Math.round(bytes / 1e3))} kB`;
  if (bytes < 1e9) return `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;
  return `${(bytes / 1e9).toFixed(bytes < 1e10 ? 1 : 0)} GB`;
}
