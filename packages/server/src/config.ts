/** What the server is told by its environment, checked before anything is opened. */
import { z } from 'zod';

const configSchema = z.object({
  DATABASE_URL: z.string().regex(/^postgres(ql)?:\/\//, 'must start with postgres:// or postgresql://'),
  PORT: z.coerce.number().int().min(0).max(65535).default(4780),
  LQ_HOST: z
    .union([z.ipv4(), z.ipv6(), z.literal('localhost')], 'an IP address of this machine would do')
    .default('127.0.0.1'),
  LQ_DEMO: z.enum(['1', '0']).default('0'),
  LQ_WEB_DIR: z.string().min(1),
  LQ_DEMO_DIR: z.string().min(1),
  LQ_BACKUP_DIR: z.string().min(1).optional(),
  LQ_PG_BIN: z.string().min(1).optional(),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'silent']).default('info'),
});

const LOOPBACK = /^(127\.|::1$|localhost$)/;

/** Whether only programs of this machine reach an address. */
export function isLoopback(host: string): boolean {
  return LOOPBACK.test(host);
}

export type Config = {
  readonly databaseUrl: string;
  readonly port: number;
  /** The address to listen at. */
  readonly host: string;
  /** Fill a new database with the demo shop without asking. */
  readonly startsDemo: boolean;
  readonly webDir: string;
  readonly demoDir: string;
  /** Where backups go; none are made where it is not set. */
  readonly backupDir: string | null;
  /** The folder of PostgreSQL's programs; those in the path where it is not set. */
  readonly postgresDir: string | null;
  readonly logLevel: string;
};

/** @throws with one line for each variable that is wrong: its name, what was read, what would do */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config {
  const parsed = configSchema.safeParse(env);
  if (!parsed.success) {
    const lines = parsed.error.issues.map(({ path, message }) => {
      const name = path.join('.');
      // The address of a database holds its password and stays out of messages.
      const read =
        name === 'DATABASE_URL' ? (env[name] === undefined ? 'nothing' : 'an address') : JSON.stringify(env[name]);
      return `${name}: ${message} (read: ${read})`;
    });
    throw new Error(`The environment is not usable.\n${lines.join('\n')}`);
  }
  const { DATABASE_URL, PORT, LQ_HOST, LQ_DEMO, LQ_WEB_DIR, LQ_DEMO_DIR, LQ_BACKUP_DIR, LQ_PG_BIN, LOG_LEVEL } =
    parsed.data;
  return {
    databaseUrl: DATABASE_URL,
    port: PORT,
    host: LQ_HOST,
    startsDemo: LQ_DEMO === '1',
    webDir: LQ_WEB_DIR,
    demoDir: LQ_DEMO_DIR,
    backupDir: LQ_BACKUP_DIR ?? null,
    postgresDir: LQ_PG_BIN ?? null,
    logLevel: LOG_LEVEL,
  };
}
