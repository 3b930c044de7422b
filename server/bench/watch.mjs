// What a server does while something is asked of it: how long a health request waits, and how much memory it takes.
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';

const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** Bytes of memory a process holds now, and at most so far. */
export function memoryOf(pid) {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  const kib = (key) => Number(new RegExp(`^${key}:\\s+(\\d+)`, 'm').exec(status)?.[1] ?? 0) * 1024;
  return { now: kib('VmRSS'), most: kib('VmHWM') };
}

/**
 * Asks for health over and over while work is done, from a thread of its own: what keeps this one busy is not counted.
 *
 * @returns what the work made, and milliseconds: it took, the longest wait for health, and the one in twenty
 */
export async function watched(address, work) {
  const thread = new Worker(new URL('./watchThread.mjs', import.meta.url), { workerData: { address } });
  await once(thread, 'message'); // it has asked once
  const began = performance.now();
  const made = await work();
  const took = performance.now() - began;
  thread.postMessage('enough');
  const [waits] = await once(thread, 'message');
  await thread.terminate();
  return { made, took, longest: waits.at(-1) ?? 0, usual: waits[Math.floor(waits.length * 0.95)] ?? 0 };
}

export const megabytes = (bytes) => `${Math.round(bytes / 1024 / 1024)} MB`;
export const milliseconds = (ms) => (ms < 10_000 ? `${Math.round(ms)} ms` : `${(ms / 1000).toFixed(1)} s`);
export { pause };
