/** A server's process that serves one scenario's shop after the other; killed with a shop, the next one has a new process. */
import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import path from 'node:path';

type Said = { readonly listening?: string; readonly failed?: string };

export class ServerHost {
  private process: ChildProcess | null = null;

  /** @returns the address at which the shop is served */
  async serve(env: NodeJS.ProcessEnv): Promise<string> {
    const process = await this.running(env);
    const { listening, failed } = await ask(process, { env });
    if (!listening) throw new Error(`the server did not start: ${failed}`);
    return listening;
  }

  /** Closes what is served, in order. */
  async close(): Promise<void> {
    if (!this.process || this.process.exitCode !== null) return;
    const { failed } = await ask(this.process, { end: true });
    if (failed) throw new Error(`the server did not close: ${failed}`);
  }

  /** As a power cut would. */
  async kill(): Promise<void> {
    const { process } = this;
    this.process = null;
    if (!process || process.exitCode !== null || process.signalCode !== null) return;
    const exited = once(process, 'exit');
    process.kill('SIGKILL');
    await exited;
  }

  private async running(env: NodeJS.ProcessEnv): Promise<ChildProcess> {
    if (this.process && this.process.exitCode === null && this.process.signalCode === null) return this.process;
    const started = spawn(process.execPath, [path.join(import.meta.dirname, 'serverHost.mjs')], {
      env,
      stdio: ['ignore', process.env.LQ_SHOW_LOG ? 'inherit' : 'ignore', 'inherit', 'ipc'],
    });
    await nextWord(started);
    this.process = started;
    return started;
  }
}

async function ask(process: ChildProcess, message: object): Promise<Said> {
  const answer = nextWord(process);
  process.send(message);
  return answer;
}

function nextWord(process: ChildProcess): Promise<Said> {
  return new Promise((resolve, reject) => {
    const ended = (code: number | null) => reject(new Error(`the server ended with ${code}`));
    process.once('exit', ended);
    process.once('message', (message) => {
      process.off('exit', ended);
      resolve(message as Said);
    });
  });
}
