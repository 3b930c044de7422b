// Asks a server for health until it is told that this is enough; answers with the waits, shortest first.
import { parentPort, workerData } from 'node:worker_threads';

const waits = [];
let watching = true;
parentPort.on('message', () => (watching = false));
while (watching) {
  const asked = performance.now();
  const answer = await fetch(`${workerData.address}/api/health`);
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(`health: ${answer.status}`);
  if (waits.push(performance.now() - asked) === 1) {
    parentPort.postMessage('asked');
    waits.length = 0; // the first one opened a connection
    waits.push(0);
  }
  await new Promise((resolve) => setTimeout(resolve, 10));
}
parentPort.postMessage(waits.sort((a, b) => a - b));
process.exit(0);
