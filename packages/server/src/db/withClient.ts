import pg from 'pg';

/** What is read or written whole may take its time, but not for ever. */
const LONGEST_MS = 15 * 60_000;

/** One connection for one piece of work, with an end to each of its statements. */
export async function withClient<Answer>(url: string, work: (client: pg.Client) => Promise<Answer>): Promise<Answer> {
  const client = new pg.Client({ connectionString: url, statement_timeout: LONGEST_MS, keepAlive: true });
  // The statement that was on its way fails by itself; unheard, the event would end the process.
  client.on('error', () => {});
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end().catch(() => {});
  }
}
