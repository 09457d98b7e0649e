/**
 * Puts another shop in this one's place: made beside it in a new database, filled as data only, looked at, and swapped in. Until
 * the swap the old one serves; whatever fails leaves it as it was.
 */
import type { Logger } from 'pino';
import { type Addresses, ShopDatabases } from '../../db/ShopDatabases';
import type { Hold } from '../../http/Hold';
import { checkShop } from './checkShop';

/** What has the shop's database open: closed for the swap, and open again after it, whichever database it finds. */
export type Open = {
  readonly close: () => Promise<void>;
  readonly open: () => Promise<void>;
};

export type Fill<Answer> = (into: Addresses) => Promise<Answer>;

export class ShopReplacement {
  private readonly databases: ShopDatabases;

  constructor(
    shop: Addresses,
    private readonly hold: Hold,
    private readonly opened: Open,
    /** Whether a demo shop, whose passwords everybody knows, may be served here: at this machine's own address only. */
    readonly mayBeDemo: boolean,
    private readonly log: Logger,
  ) {
    this.databases = new ShopDatabases(shop);
  }

  /** Takes away what was left by a program that was killed while it did this. */
  async cleanUp(): Promise<void> {
    await this.databases.dropLeftOvers();
  }

  /** Whether a shop could be made of something: all but the swap. */
  async tryOut<Answer>(schema: string, fill: Fill<Answer>): Promise<Answer> {
    const { incoming, answer } = await this.prepare(schema, fill);
    await this.databases.drop(incoming);
    return answer;
  }

  /**
   * @param schema the migration that the data fits
   * @param fill brings the data in, while the shop is open and written to
   * @param atRest done while nobody writes, just before the swap
   */
  async replace<Answer>(
    schema: string,
    fill: Fill<Answer>,
    atRest: (incoming: Addresses) => Promise<void>,
  ): Promise<{ readonly answer: Answer; readonly findings: readonly string[] }> {
    const { incoming, answer, findings } = await this.prepare(schema, fill);
    try {
      await this.hold.holdWrites();
      await atRest(incoming);
      await this.swap(incoming);
    } catch (error) {
      await this.databases
        .drop(incoming)
        .catch((failure: unknown) => this.log.warn({ err: failure }, 'not taken away'));
      throw error;
    } finally {
      this.hold.release();
    }
    return { answer, findings };
  }

  private async prepare<Answer>(schema: string, fill: Fill<Answer>) {
    const incoming = await this.databases.create(schema);
    try {
      const answer = await fill(incoming);
      await this.databases.bringUpToDate(incoming);
      return { incoming, answer, findings: await checkShop(incoming.appUrl, this) };
    } catch (error) {
      await this.databases.drop(incoming);
      throw error;
    }
  }

  private async swap(incoming: Addresses): Promise<void> {
    this.hold.shut();
    await this.opened.close();
    let former: Addresses | null = null;
    try {
      former = await this.databases.swap(incoming);
    } finally {
      await this.opened.open();
    }
    // What it held is in the backup that was made at rest.
    await this.databases
      .drop(former)
      .catch((error: unknown) => this.log.warn({ err: error }, 'the former database is still there'));
  }
}
