/**
 * npm run certificate [-- NAME …]: makes an authority of the shop's own and a certificate for this machine, so that the server
 * speaks https itself. NAME: names under which tablets reach it; its addresses are in the certificate anyhow. The authority is made
 * once; run again, only the certificate is made anew.
 */
import { chmodSync, existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { installDebianPackage } from './lib/install.mjs';
import { DATA_DIR, runMain, Stop, say } from './lib/project.mjs';
import { capture } from './lib/run.mjs';

const DIR = path.join(DATA_DIR, 'tls');
const file = (name) => path.join(DIR, name);
const AUTHORITY_DAYS = 3650;
/** Browsers take no certificate that is good for longer than 398 days. */
const CERTIFICATE_DAYS = 397;
/**
 * What the authority may vouch for at all, should its key get into wrong hands: private networks, this machine's addresses, and the
 * names given.
 */
const PRIVATE = [
  'IP:127.0.0.0/255.0.0.0',
  'IP:10.0.0.0/255.0.0.0',
  'IP:172.16.0.0/255.240.0.0',
  'IP:192.168.0.0/255.255.0.0',
  'IP:169.254.0.0/255.255.0.0',
  'IP:fc00:0:0:0:0:0:0:0/fe00:0:0:0:0:0:0:0',
];
const ONE_V6 = Array(8).fill('ffff').join(':');
const HOST_NAME = /^[a-z0-9]([a-z0-9-]*[a-z0-9])?(\.[a-z0-9]([a-z0-9-]*[a-z0-9])?)*$/i;

await runMain(async () => {
  const names = process.argv.slice(2);
  const wrong = names.find((name) => !HOST_NAME.test(name));
  if (wrong !== undefined) throw new Stop(`"${wrong}" was read; expected a name such as shop.lan.`);
  await ensureOpenssl();
  mkdirSync(DIR, { recursive: true, mode: 0o700 });
  chmodSync(DIR, 0o700);
  const all = [...new Set(['localhost', os.hostname().toLowerCase(), ...names.map((name) => name.toLowerCase())])];
  const isNew = !existsSync(file('authority.pem'));
  if (isNew) await makeAuthority(all);
  await makeCertificate(all.filter((name) => HOST_NAME.test(name)));
  say(instructions(isNew, names));
});

async function ensureOpenssl() {
  const { code } = await capture('openssl', ['version']).catch(() => ({ code: 1 }));
  if (code !== 0) await installDebianPackage('openssl', 'OpenSSL');
}

async function makeAuthority(names) {
  const own = ownAddresses().map((address) => `IP:${address}/${address.includes(':') ? ONE_V6 : '255.255.255.255'}`);
  const permitted = [...names.map((name) => `DNS:${name}`), ...own, ...PRIVATE].map((each) => `permitted;${each}`);
  await openssl([
    ...['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-sha256'],
    ...['-days', String(AUTHORITY_DAYS), '-subj', `/CN=Low Quarry authority of ${os.hostname()}`],
    ...['-keyout', file('authority-key.pem'), '-out', file('authority.pem')],
    ...['-addext', 'keyUsage=critical,keyCertSign,cRLSign'],
    ...['-addext', `nameConstraints=critical,${permitted.join(',')}`],
  ]);
  chmodSync(file('authority-key.pem'), 0o600);
}

async function makeCertificate(names) {
  const subject = [...names.map((name) => `DNS:${name}`), ...ownAddresses().map((each) => `IP:${each}`)];
  const extensions = file('extensions.cnf');
  writeFileSync(
    extensions,
    [
      'basicConstraints=critical,CA:FALSE',
      'keyUsage=critical,digitalSignature',
      'extendedKeyUsage=serverAuth',
      `subjectAltName=${subject.join(',')}`,
    ].join('\n'),
  );
  // Beside what is there, and in its place only when the authority vouches for it.
  const [request, key, made] = [file('new-request.pem'), file('new-key.pem'), file('new.pem')];
  try {
    await openssl([
      ...['req', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes', '-sha256'],
      ...['-subj', `/CN=${names[0]}`, '-keyout', key, '-out', request],
    ]);
    chmodSync(key, 0o600);
    await openssl([
      ...['x509', '-req', '-sha256', '-days', String(CERTIFICATE_DAYS), '-in', request, '-out', made],
      ...['-CA', file('authority.pem'), '-CAkey', file('authority-key.pem'), '-CAcreateserial', '-extfile', extensions],
    ]);
    const { code, output } = await capture('openssl', ['verify', '-CAfile', file('authority.pem'), made]);
    if (code !== 0) {
      throw new Stop(
        `The authority of ${DIR} does not vouch for all of ${subject.join(', ')}. Nothing was changed. To make another one, take that folder away, and bring the new authority to the tablets.\n${output}`,
      );
    }
    renameSync(key, file('shop-key.pem'));
    renameSync(made, file('shop.pem'));
  } finally {
    for (const each of [request, extensions, key, made]) rmSync(each, { force: true });
  }
}

/** Those that others can reach it at, and loopback. */
function ownAddresses() {
  const all = Object.values(os.networkInterfaces()).flatMap((each) => each.map(({ address }) => address));
  return [...new Set(all)].filter((address) => !address.startsWith('fe80'));
}

async function openssl(args) {
  const { code, output } = await capture('openssl', args);
  if (code !== 0) throw new Stop(`openssl ${args[0]} failed.\n${output}`);
}

function instructions(isNew, names) {
  const start = `LQ_TLS_CERT=${file('shop.pem')} \\\n  LQ_TLS_KEY=${file('shop-key.pem')} \\\n  LQ_HOST=0.0.0.0 ${names.length > 0 ? `LQ_ALLOWED_HOSTS=${names.join(',')} ` : ''}npm start`;
  return `The certificate is made, good for ${CERTIFICATE_DAYS} days; run this again before it is over. Start the shop with

  ${start}

${isNew ? 'Once for each tablet' : 'A tablet that has the authority needs nothing more. For each new one'}: bring ${file('authority.pem')} to it (by cable, or a memory stick) and make it trusted.
  Android: Settings, Security, Encryption and credentials, Install a certificate, CA certificate.
  iPad: open the file, Settings, Profile downloaded, Install; then General, About, Certificate trust settings, switch it on.
  Windows: open the file, Install certificate, Local machine, Trusted root certification authorities.
  Linux: the browser's settings, Certificates, Authorities, Import.
Keep ${file('authority-key.pem')} on this machine: whoever has it can pass for this shop.`;
}
