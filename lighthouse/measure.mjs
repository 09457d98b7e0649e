/** Measures one page; its last line is JSON: points of 100, what they are made of, and what was found to be wrong. */
import { launch } from 'chrome-launcher';
import lighthouse, { desktopConfig } from 'lighthouse';

const chrome = await launch({ chromeFlags: ['--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic'] });
try {
  const { lhr } = await lighthouse(
    process.argv[2],
    {
      port: chrome.port,
      onlyCategories: ['performance', 'accessibility'],
      extraHeaders: { Cookie: process.env.LQ_COOKIE ?? '' },
      logLevel: 'error',
    },
    desktopConfig,
  );
  if (lhr.runtimeError) throw new Error(lhr.runtimeError.message);
  // A page that nobody is signed in on would be quick too.
  const asked = lhr.audits['network-requests'].details.items;
  if (!asked.some(({ url, statusCode }) => new URL(url).pathname.startsWith('/api/jobs') && statusCode === 200))
    throw new Error('measure: expected a page that shows jobs, got one that asked for none');
  const points = (category) => Math.round((lhr.categories[category].score ?? 0) * 100);
  const findings = lhr.categories.accessibility.auditRefs
    .filter(({ id, weight }) => weight > 0 && lhr.audits[id].score === 0)
    .map(({ id }) => `${lhr.audits[id].title}: ${lhr.audits[id].details?.items?.[0]?.node?.snippet ?? ''}`);
  const parts = [
    'first-contentful-paint',
    'largest-contentful-paint',
    'total-blocking-time',
    'cumulative-layout-shift',
  ].map((id) => `${lhr.audits[id].title.toLowerCase()} ${lhr.audits[id].displayValue}`);
  const figures = {
    performance: points('performance'),
    parts,
    accessibility: points('accessibility'),
    findings,
  };
  process.stdout.write(`${JSON.stringify(figures)}\n`);
} finally {
  chrome.kill();
}
