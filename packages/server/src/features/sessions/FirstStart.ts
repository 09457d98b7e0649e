/**
 * A new, empty database: the owner's account is made, or the demo shop is loaded to look around. Both only once: should two
 * servers be asked at the same moment, the second shop is refused by the table's key.
 */
import type { DemoSignIn, SessionState, startShop } from '@low-quarry/core/contracts/sessions';
import type { PartsFile } from '@low-quarry/core/formats';
import { SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import type { DataSource } from 'typeorm';
import type { z } from 'zod';
import { AppError } from '../../http/AppError';
import { History, programAuthor } from '../history/History';
import { PartsImport } from '../library/PartsImport';
import { STARTER_PACK } from '../library/readGoods';
import { PeopleStore } from '../people/PeopleStore';
import { requireOwnPassword } from '../people/requireOwnPassword';
import { hashSecret } from '../people/secrets';
import { SettingsStore } from '../settings/SettingsStore';

export type Demo = {
  readonly signIns: () => Promise<readonly DemoSignIn[]>;
  readonly load: () => Promise<void>;
};

export class FirstStart {
  private isStarting = false;

  /**
   * @param demo null where the demo shop may not run: at an address that others reach
   * @param goods what a shop of one's own has from its first day, as one change that can be taken back
   */
  constructor(
    private readonly db: DataSource,
    private readonly now: () => Date,
    private readonly newId: () => string,
    private readonly demo: Demo | null,
    private readonly goods: PartsFile | null,
  ) {}

  async start(body: z.output<typeof startShop.body>): Promise<void> {
    // Nobody waits here with a connection in hand: who comes second is told so.
    if (this.isStarting) throw beingStarted();
    this.isStarting = true;
    try {
      if (await new SettingsStore(this.db.manager).find()) throw alreadyStarted();
      if (body.kind === 'own') {
        requireOwnPassword(body.name, body.password);
        await this.makeOwner(body);
      } else if (this.demo) await this.demo.load();
      else throw noDemo();
    } finally {
      this.isStarting = false;
    }
  }

  private async makeOwner({
    shopName,
    name,
    password,
  }: Extract<z.output<typeof startShop.body>, { kind: 'own' }>): Promise<void> {
    const passwordHash = await hashSecret(password);
    await this.db.transaction(async (manager) => {
      await new SettingsStore(manager).insert({ ...SETTINGS_DEFAULTS, name: shopName }, { isDemo: false });
      const owner = { id: this.newId(), name, roles: ['owner'] as const, passwordHash, pinHash: null };
      await new PeopleStore(manager).insert(owner);
      if (!this.goods) return;
      const history = new History(manager, programAuthor('The starter pack'), this.now(), this.newId());
      await new PartsImport(manager, history).bringIn(STARTER_PACK, this.goods, this.newId(), {
        tryOut: false,
        mayReplace: true,
      });
    });
  }

  /** In the demo shop its sign-ins are no secret: they are on the screen where they are needed. */
  async withDemo(state: SessionState): Promise<SessionState> {
    if (state.kind !== 'signedOut' || !this.demo) return state;
    const shop = await new SettingsStore(this.db.manager).findWithKind();
    return shop?.isDemo ? { ...state, demo: [...(await this.demo.signIns())] } : state;
  }
}

function beingStarted(): AppError {
  return new AppError(
    503,
    'being-started',
    'Being started',
    'The shop is being started at this moment. Try again shortly.',
  );
}

function alreadyStarted(): AppError {
  return new AppError(409, 'already-started', 'The shop is there', 'This shop has an owner already. Sign in.');
}

function noDemo(): AppError {
  return new AppError(422, 'refused', 'Not possible', 'The demo shop runs on this machine’s own address only.');
}
