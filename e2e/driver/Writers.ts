/**
 * People who write without a pause, as a page does it: each write has a key of its own and is sent until it is acknowledged.
 * Afterwards what was acknowledged is held against what the shop has and what its history says.
 */
import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { isDeepStrictEqual } from 'node:util';
import type { Change } from '@low-quarry/core/contracts/history';
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import type { Opening } from '@low-quarry/core/contracts/openings';
import { signInOf } from './Fitter';
import type { Shop } from './Shop';

const AGAIN_MS = 40;
const PATIENCE_MS = 120_000;

export type Figures = {
  /** Requests that were sent, repeats included. */
  sent: number;
  /** Writes that were to be done. */
  tried: number;
  acknowledged: number;
  lost: number;
  doubled: number;
  /** Versions of a record without a line in the history, or lines that do not follow each other. */
  gaps: number;
};

export class Writers {
  private readonly figures: Figures = { sent: 0, tried: 0, acknowledged: 0, lost: 0, doubled: 0, gaps: 0 };
  private readonly noted = new Map<string, string[]>();
  private readonly booked: string[] = [];
  private headers: Readonly<Record<string, string>> = {};

  private constructor(private readonly shop: Shop) {}

  static async comeIn(shop: Shop): Promise<Writers> {
    const writers = new Writers(shop);
    const { name, password } = signInOf('Okke');
    const answer = await fetch(`${shop.url}/api/session`, {
      method: 'POST',
      headers: { Origin: shop.url, 'Content-Type': 'application/json' },
      body: JSON.stringify({ name, password }),
    });
    const cookie = answer.headers
      .getSetCookie()
      .map((each) => each.split(';')[0])
      .join('; ');
    const { me } = (await answer.json()) as { me: { id: string } };
    writers.headers = { Cookie: cookie, 'LQ-Person': me.id };
    return writers;
  }

  /** So many people at so many openings, each with so many changes and every fifth a car that is booked in. */
  async write(people: number, each: number): Promise<void> {
    const { jobs } = await this.listJobs();
    const openings = jobs.flatMap((job) => job.openings.map(({ id }) => id)).slice(0, people);
    await Promise.all(openings.map((id, person) => this.writeOne(id, person, each)));
  }

  private async writeOne(id: string, person: number, each: number): Promise<void> {
    let opening = await this.get<Opening>(`/api/openings/${id}`);
    for (let step = 0; step < each; step++) {
      const note = `person ${person}, change ${step}`;
      const body = { version: opening.version, record: { ...opening.record, note } };
      opening = await this.send<Opening>('PUT', `/api/openings/${id}`, body);
      this.noted.set(id, [...(this.noted.get(id) ?? []), note]);
      if (step % 5 === 0) {
        const customer = `car ${person}-${step}`;
        const job = { vehicleId: 'veh-ostrand-longshore', customer, registration: '', wants: '', dueOn: null };
        await this.send('POST', '/api/jobs', job);
        this.booked.push(customer);
      }
    }
  }

  /** What became of it all. */
  async count(): Promise<Figures> {
    const { figures } = this;
    const { jobs } = await this.listJobs();
    for (const customer of this.booked) this.tally(jobs.filter((job) => job.customer === customer).length);
    for (const [id, notes] of this.noted) {
      const changes = await this.historyOf(id);
      for (const note of notes)
        this.tally(changes.filter(({ after }) => (after as { note?: string } | null)?.note === note).length);
      const { version, record } = await this.get<Opening>(`/api/openings/${id}`);
      if (record.note !== notes.at(-1)) figures.lost++;
      figures.gaps += gapsIn(changes, version);
    }
    return figures;
  }

  private tally(found: number): void {
    if (found === 0) this.figures.lost++;
    if (found > 1) this.figures.doubled++;
  }

  private async historyOf(record: string): Promise<readonly Change[]> {
    const all: Change[] = [];
    for (let hasMore = true; hasMore; ) {
      const before = all.at(-1)?.id;
      const page = await this.get<{ changes: Change[]; hasMore: boolean }>(
        `/api/history?kind=opening&record=${record}${before ? `&before=${before}` : ''}`,
      );
      all.push(...page.changes);
      hasMore = page.hasMore;
    }
    return all;
  }

  listJobs(): Promise<{ readonly jobs: readonly JobInList[] }> {
    return this.get('/api/jobs');
  }

  /** Sends one write until it is acknowledged, with the same key each time. */
  async send<Answer>(method: 'PUT' | 'POST', path: string, body: object): Promise<Answer> {
    this.figures.tried++;
    const answer = await this.until<Answer>(path, {
      method,
      headers: { Origin: this.shop.url, 'Content-Type': 'application/json', 'Idempotency-Key': randomUUID() },
      body: JSON.stringify(body),
    });
    this.figures.acknowledged++;
    return answer;
  }

  private get<Answer>(path: string): Promise<Answer> {
    return this.until(path, { headers: {} });
  }

  private async until<Answer>(path: string, init: RequestInit): Promise<Answer> {
    const giveUp = Date.now() + PATIENCE_MS;
    for (;;) {
      this.figures.sent++;
      const response = await fetch(`${this.shop.url}${path}`, {
        ...init,
        headers: { ...init.headers, ...this.headers },
      }).catch(() => null);
      if (response?.ok) {
        const answer = await response.json().catch(() => null);
        // An answer that was cut off in the middle is none.
        if (answer !== null) return answer as Answer;
      } else if (response && response.status !== 503) {
        throw new Error(`${init.method ?? 'GET'} ${path}: ${response.status} ${await response.text()}`);
      }
      if (Date.now() > giveUp) throw new Error(`${path} was not answered in ${PATIENCE_MS / 1000} s`);
      await sleep(AGAIN_MS);
    }
  }
}

function gapsIn(newestFirst: readonly Change[], version: number): number {
  let gaps = newestFirst[0]?.version === version ? 0 : 1;
  for (const [at, change] of newestFirst.entries()) {
    const earlier = newestFirst[at + 1];
    if (!earlier) gaps += change.version === 1 ? 0 : 1;
    else if (earlier.version !== change.version - 1 || !isDeepStrictEqual(earlier.after, change.before)) gaps++;
  }
  return gaps;
}
