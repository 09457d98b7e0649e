/**
 * People who write without a pause, as a page does it: each write has a key of its own and is sent until it is acknowledged.
 * Afterwards what was acknowledged is held against what the shop has and what its history says, and by whom it says it was done.
 */
import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { isDeepStrictEqual } from 'node:util';
import type { Backup } from '@low-quarry/core/contracts/backup';
import type { Change } from '@low-quarry/core/contracts/history';
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import type { Opening } from '@low-quarry/core/contracts/openings';
import type { Shop } from './Shop';
import { signInOf } from './signIns';

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
  /** Done in the name of somebody else than who asked. */
  misattributed: number;
  /** Versions of a record without a line in the history, or lines that do not follow each other. */
  gaps: number;
};

/** Who may both measure and book in. */
const NAMES = ['Okke', 'Jory'] as const;

type Person = { readonly name: string; headers: Readonly<Record<string, string>> };
type Done = { readonly what: string; readonly by: string };

export class Writers {
  private readonly figures: Figures = {
    sent: 0,
    tried: 0,
    acknowledged: 0,
    lost: 0,
    doubled: 0,
    misattributed: 0,
    gaps: 0,
  };
  private readonly noted = new Map<string, Done[]>();
  private readonly booked: Done[] = [];
  private readonly people: readonly Person[] = NAMES.map((name) => ({ name, headers: {} }));

  private constructor(private readonly shop: Shop) {}

  static async comeIn(shop: Shop): Promise<Writers> {
    const writers = new Writers(shop);
    for (const person of writers.people) await writers.signIn(person);
    return writers;
  }

  /** So many people at so many openings, each with so many changes and every fifth a car that is booked in. */
  async write(people: number, each: number): Promise<void> {
    const { jobs } = await this.listJobs();
    const openings = jobs.flatMap((job) => job.openings.map(({ id }) => id)).slice(0, people);
    await Promise.all(openings.map((id, person) => this.writeOne(id, person, each)));
  }

  private async writeOne(id: string, at: number, each: number): Promise<void> {
    const person = this.people[at % this.people.length] as Person;
    let opening = await this.get<Opening>(`/api/openings/${id}`);
    for (let step = 0; step < each; step++) {
      const note = `person ${at}, change ${step}`;
      const body = { version: opening.version, record: { ...opening.record, note } };
      opening = await this.send<Opening>(person, 'PUT', `/api/openings/${id}`, body);
      this.noted.set(id, [...(this.noted.get(id) ?? []), { what: note, by: person.name }]);
      if (step % 5 === 0) await this.bookIn(person, `car ${at}-${step}`);
    }
  }

  /** Books cars in, one after the other, until it is told to stop; gives those that were acknowledged. */
  async bookInUntil(isOver: () => boolean, name: string): Promise<readonly string[]> {
    const before = this.booked.length;
    await Promise.all(
      this.people.map(async (person, who) => {
        for (let step = 0; !isOver(); step++) await this.bookIn(person, `${name} ${who}-${step}`);
      }),
    );
    return this.booked.slice(before).map(({ what }) => what);
  }

  private async bookIn(person: Person, customer: string): Promise<void> {
    const job = { vehicleId: 'veh-ostrand-longshore', customer, registration: '', wants: '', dueOn: null };
    await this.send(person, 'POST', '/api/jobs', job);
    this.booked.push({ what: customer, by: person.name });
  }

  /** What became of it all. */
  async count(): Promise<Figures> {
    const { figures } = this;
    const { jobs } = await this.listJobs();
    for (const { what, by } of this.booked) {
      const found = jobs.filter(({ customer }) => customer === what);
      this.tally(found.length);
      for (const { id } of found) this.tallyAuthors(await this.historyOf(id, 'job'), by);
    }
    for (const [id, done] of this.noted) {
      const changes = await this.historyOf(id, 'opening');
      for (const { what, by } of done) {
        const found = changes.filter(({ after }) => (after as { note?: string } | null)?.note === what);
        this.tally(found.length);
        this.tallyAuthors(found, by);
      }
      const { version, record } = await this.get<Opening>(`/api/openings/${id}`);
      if (record.note !== done.at(-1)?.what) figures.lost++;
      figures.gaps += gapsIn(changes, version);
    }
    return figures;
  }

  private tally(found: number): void {
    if (found === 0) this.figures.lost++;
    if (found > 1) this.figures.doubled++;
  }

  private tallyAuthors(changes: readonly Change[], by: string): void {
    this.figures.misattributed += changes.filter(({ personName }) => personName !== by).length;
  }

  private async historyOf(record: string, kind: 'opening' | 'job'): Promise<readonly Change[]> {
    const all: Change[] = [];
    for (let hasMore = true; hasMore; ) {
      const before = all.at(-1)?.id;
      const page = await this.get<{ changes: Change[]; hasMore: boolean }>(
        `/api/history?kind=${kind}&record=${record}${before ? `&before=${before}` : ''}`,
      );
      all.push(...page.changes);
      hasMore = page.hasMore;
    }
    return all;
  }

  /** Every open job, page after page. */
  async listJobs(): Promise<{ readonly jobs: readonly JobInList[] }> {
    const jobs: JobInList[] = [];
    for (let page = 1; ; page++) {
      const answer = await this.get<{ jobs: readonly JobInList[]; total: number }>(`/api/jobs?page=${page}`);
      jobs.push(...answer.jobs);
      if (answer.jobs.length === 0 || jobs.length >= answer.total) return { jobs };
    }
  }

  /** A backup that is made when this ends; its name. */
  async backUp(): Promise<string> {
    await this.asOwner('POST', '/api/backups', {});
    for (;;) {
      const { backups } = await this.get<{ backups: readonly Backup[] }>('/api/backups');
      const made = backups.find(({ why }) => why === 'asked');
      if (made) return made.name;
      await sleep(AGAIN_MS);
    }
  }

  /** The owner asks for something that is no record: a backup, a restore. */
  asOwner<Answer>(method: 'POST' | 'GET' | 'PUT', path: string, body?: object): Promise<Answer> {
    return this.until(this.people[0] as Person, method, path, body);
  }

  /** Sends one write once, whatever is answered. */
  async tryOnce(method: string, path: string, body: object): Promise<{ status: number; body: { type: string } }> {
    const response = await fetch(`${this.shop.url}${path}`, {
      method,
      headers: { Origin: this.shop.url, 'Content-Type': 'application/json', ...this.people[0]?.headers },
      body: JSON.stringify(body),
    });
    return { status: response.status, body: await response.json() };
  }

  /** Sends one write until it is acknowledged, with the same key each time. */
  private async send<Answer>(person: Person, method: 'PUT' | 'POST', path: string, body: object): Promise<Answer> {
    this.figures.tried++;
    const answer = await this.until<Answer>(person, method, path, body, randomUUID());
    this.figures.acknowledged++;
    return answer;
  }

  get<Answer>(path: string): Promise<Answer> {
    return this.until(this.people[0] as Person, 'GET', path);
  }

  private async until<Answer>(
    person: Person,
    method: string,
    path: string,
    body?: object,
    key?: string,
  ): Promise<Answer> {
    const giveUp = Date.now() + PATIENCE_MS;
    for (;;) {
      this.figures.sent++;
      const response = await fetch(`${this.shop.url}${path}`, {
        method,
        headers: {
          Origin: this.shop.url,
          ...(body ? { 'Content-Type': 'application/json' } : {}),
          ...(key ? { 'Idempotency-Key': key } : {}),
          ...person.headers,
        },
        ...(body ? { body: JSON.stringify(body) } : {}),
      }).catch(() => null);
      if (response?.ok) {
        const answer = await response.json().catch(() => null);
        // An answer that was cut off in the middle is none.
        if (answer !== null) return answer as Answer;
      } else if (response?.status === 401) await this.signIn(person).catch(() => {});
      else if (response && response.status !== 503) {
        throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`);
      }
      if (Date.now() > giveUp) throw new Error(`${path} was not answered in ${PATIENCE_MS / 1000} s`);
      await sleep(AGAIN_MS);
    }
  }

  private async signIn(person: Person): Promise<void> {
    const { password } = signInOf(person.name);
    const answer = await fetch(`${this.shop.url}/api/session`, {
      method: 'POST',
      headers: { Origin: this.shop.url, 'Content-Type': 'application/json' },
      body: JSON.stringify({ name: person.name, password }),
    });
    if (!answer.ok) throw new Error(`${person.name} could not sign in: ${answer.status}`);
    const cookie = answer.headers
      .getSetCookie()
      .map((each) => each.split(';')[0])
      .join('; ');
    const { me } = (await answer.json()) as { me: { id: string } };
    person.headers = { Cookie: cookie, 'LQ-Person': me.id };
  }

  /** The cookie of somebody who is signed in. */
  get cookie(): string {
    return this.people[0]?.headers.Cookie ?? '';
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
