/** What the server is told by its environment, checked before anything is opened. */
import { z } from 'zod';

const databaseUrl = z.string().regex(/^postgres(ql)?:\/\//, 'must start with postgres:// or postgresql://');
/** Comma or blanks between them. */
const list = z.string().transform((text) => text.split(/[\s,]+/).filter(Boolean));

const configSchema = z.object({
  DATABASE_URL: databaseUrl,
  LQ_APP_DATABASE_URL: databaseUrl.optional(),
  PORT: z.coerce.number().int().min(0).max(65535).default(4780),
  LQ_HOST: z
    .union([z.ipv4(), z.ipv6(), z.literal('localhost')], 'use an IP address of this machine')
    .default('127.0.0.1'),
  LQ_ALLOWED_HOSTS: list
    .pipe(
      z.array(
        z
          .string()
          .toLowerCase()
          .regex(/^[a-z0-9][a-z0-9.-]*$/, 'use host names without a port'),
      ),
    )
    .prefault(''),
  LQ_TRUSTED_PROXY: list
    .pipe(z.array(z.union([z.ipv4(), z.ipv6(), z.cidrv4(), z.cidrv6()], 'use IP addresses or networks')))
    .prefault(''),
  LQ_TLS_CERT: z.string().min(1).optional(),
  LQ_TLS_KEY: z.string().min(1).optional(),
  LQ_DEMO: z.enum(['1', 'small', '0']).default('0'),
  LQ_WEB_DIR: z.string().min(1),
  LQ_DEMO_DIR: z.string().min(1),
  LQ_STARTER_DIR: z.string().min(1),
  LQ_BACKUP_DIR: z.string().min(1).optional(),
  LQ_PHOTO_DIR: z.string().min(1).optional(),
  LQ_PG_BIN: z.string().min(1).optional(),
  LOG_LEVEL: z.enum(['fatal', 'error', 'warn', 'info', 'debug', 'silent']).default('info'),
});

const LOOPBACK = /^(127\.|::1$|localhost$)/;

/** Whether only programs of this machine reach an address. */
export function isLoopback(host: string): boolean {
  return LOOPBACK.test(host);
}

export type Config = {
  /** As the database's owner. */
  readonly databaseUrl: string;
  /** As the login under which the server runs; null where it has to be made. */
  readonly appDatabaseUrl: string | null;
  readonly port: number;
  /** The address to listen at. */
  readonly host: string;
  /** Further names under which the shop answers. */
  readonly allowedHosts: readonly string[];
  /** Proxies that are believed what they say of the client; of nobody else's word anything is taken. */
  readonly trustedProxies: readonly string[];
  /** The files with which the server speaks https itself; null for plain http. */
  readonly tls: { readonly certFile: string; readonly keyFile: string } | null;
  /** Fill a new database with the demo shop without asking. */
  readonly startsDemo: boolean;
  /** Whether the demo comes with all that its trade has; without, it is what its shop is about. */
  readonly demoHasTrade: boolean;
  readonly webDir: string;
  readonly demoDir: string;
  /** What a real shop starts with. */
  readonly starterDir: string;
  /** Where backups go; none are made where it is not set. */
  readonly backupDir: string | null;
  /** Where photos are kept; none are taken where it is not set. */
  readonly photoDir: string | null;
  /** The folder of PostgreSQL's programs; those in the path where it is not set. */
  readonly postgresDir: string | null;
  readonly logLevel: string;
};

/** @throws with one line for each variable that is wrong: its name, what was read, what is expected */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config {
  const parsed = configSchema.safeParse(env);
  if (!parsed.success) {
    const lines = parsed.error.issues.map(({ path, message }) => {
      const name = path.join('.');
      // The address of a database holds its password and stays out of messages.
      const read = name.endsWith('DATABASE_URL')
        ? env[name] === undefined
          ? 'nothing'
          : 'an address'
        : JSON.stringify(env[name]);
      return `${name}: ${message} (read: ${read})`;
    });
    throw new Error(`The environment is not usable.\n${lines.join('\n')}`);
  }
  const { data } = parsed;
  if ((data.LQ_TLS_CERT === undefined) !== (data.LQ_TLS_KEY === undefined)) {
    throw new Error('The environment is not usable.\nLQ_TLS_CERT, LQ_TLS_KEY: one was read; set both or none.');
  }
  return {
    databaseUrl: data.DATABASE_URL,
    appDatabaseUrl: data.LQ_APP_DATABASE_URL ?? null,
    port: data.PORT,
    host: data.LQ_HOST,
    allowedHosts: data.LQ_ALLOWED_HOSTS,
    trustedProxies: data.LQ_TRUSTED_PROXY,
    tls: data.LQ_TLS_CERT && data.LQ_TLS_KEY ? { certFile: data.LQ_TLS_CERT, keyFile: data.LQ_TLS_KEY } : null,
    startsDemo: data.LQ_DEMO !== '0',
    demoHasTrade: data.LQ_DEMO !== 'small',
    webDir: data.LQ_WEB_DIR,
    demoDir: data.LQ_DEMO_DIR,
    starterDir: data.LQ_STARTER_DIR,
    backupDir: data.LQ_BACKUP_DIR ?? null,
    photoDir: data.LQ_PHOTO_DIR ?? null,
    postgresDir: data.LQ_PG_BIN ?? null,
    logLevel: data.LOG_LEVEL,
  };
}
