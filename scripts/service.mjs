/**
 * npm run --silent service: prints a systemd unit that starts the shop with the machine, and starts it again whatever ends it. It
 * takes over what is set in the environment now.
 */
import os from 'node:os';
import path from 'node:path';
import { DATA_DIR, ROOT, say } from './lib/project.mjs';

const SET = [
  'PORT',
  'LQ_HOST',
  'LQ_ALLOWED_HOSTS',
  'LQ_TRUSTED_PROXY',
  'LQ_TLS_CERT',
  'LQ_TLS_KEY',
  'LQ_BACKUP_DIR',
  'LQ_PHOTO_DIR',
  'LOG_LEVEL',
];
/** An address with a password is not for a file that everybody may read. */
const SECRET = ['DATABASE_URL', 'LQ_APP_DATABASE_URL'];

const environment = [
  `LQ_DATA_DIR=${DATA_DIR}`,
  ...SET.flatMap((name) => (process.env[name] ? [`${name}=${process.env[name]}`] : [])),
];
const secrets = SECRET.filter((name) => process.env[name]);

say(`# Low Quarry. As root: npm run --silent service > /etc/systemd/system/low-quarry.service
# then: systemctl daemon-reload && systemctl enable --now low-quarry
[Unit]
Description=Low Quarry
After=network.target
StartLimitIntervalSec=0

[Service]
User=${os.userInfo().username}
WorkingDirectory=${ROOT}
ExecStart=${process.execPath} ${path.join(ROOT, 'scripts/start.mjs')}
${environment.map((each) => `Environment=${quoted(each)}`).join('\n')}${secrets.length > 0 ? `\n# ${secrets.join(' and ')} go into this file, for root's eyes only, as NAME=value:\nEnvironmentFile=/etc/low-quarry.env` : ''}
Restart=always
RestartSec=1
# The script stops the server, then the database; what is left after that is ended.
KillMode=mixed
KillSignal=SIGTERM
TimeoutStopSec=60
NoNewPrivileges=${process.getuid?.() === 0 ? 'no' : 'yes'}
PrivateTmp=yes

[Install]
WantedBy=multi-user.target`);

/** systemd reads % and " for itself. */
function quoted(text) {
  return `"${text.replaceAll('\\', '\\\\').replaceAll('"', '\\"').replaceAll('%', '%%')}"`;
}
