/** Ends what `globalSetup.mjs` has started. */
export default function globalTeardown() {
  for (const host of globalThis.portionaTestHosts ?? []) host.disconnect();
}
