/**
 * Keeps a server running: one that ends by itself is started again, at once the first time and later each time a little later,
 * with a line that says so. One that never once came as far as listening has a fault that starting again does not mend.
 */
import { setTimeout as sleep } from 'node:timers/promises';
import { say } from './project.mjs';
import { end } from './run.mjs';

const FIRST_WAIT_MS = 100;
const LONGEST_WAIT_MS = 15_000;
/** After so long its end is a new one, not the last one again. */
const STEADY_MS = 60_000;

/**
 * @param startServer gives the child process; it tells `{ listening }` over its channel once it serves
 * @param stopAsked resolves to why when somebody wants it to stop
 * @returns the exit status
 */
export async function supervise(startServer, stopAsked) {
  let wait = FIRST_WAIT_MS;
  let listened = false;
  let isStopping = false;
  void stopAsked.then(() => {
    isStopping = true;
  });
  for (;;) {
    const startedAt = Date.now();
    const server = startServer();
    server.on('message', ({ listening }) => {
      if (listening) listened = true;
    });
    const ended = new Promise((resolve) => server.once('close', (code, signal) => resolve({ code, signal })));
    const first = await Promise.race([ended, stopAsked]);
    if (typeof first === 'string') {
      say('\nStopping …');
      await end(server, 'SIGTERM');
      return 0;
    }
    if (!listened) return first.code ?? 1;
    if (Date.now() - startedAt > STEADY_MS) wait = FIRST_WAIT_MS;
    const how = first.signal ? `was ended by ${first.signal}` : `ended with ${first.code}`;
    say(`The server ${how}. Starting it again in ${wait < 1000 ? 'a moment' : `${Math.round(wait / 1000)} s`} …`);
    await Promise.race([sleep(wait), stopAsked]);
    if (isStopping) return 0;
    wait = Math.min(wait * 2, LONGEST_WAIT_MS);
  }
}
