/** Reads an answer's body as it came, for requests that are asked to. */
export function responseBytes(response: unknown, done: (error: Error | null, body: Buffer) => void): void {
  const stream = response as NodeJS.ReadableStream;
  const chunks: Buffer[] = [];
  stream.on('data', (chunk: Buffer) => chunks.push(chunk));
  stream.on('end', () => done(null, Buffer.concat(chunks)));
}
