/** How the program itself is sent to a browser. */
import { expect, looking as test } from '../driver/test';

test('what was built is sent as the build pressed it, plain where nothing else is taken, and kept for good', async ({
  fitter,
}) => {
  const { page, address } = fitter;
  const html = await (await page.request.get(address)).text();
  const script = /src="(\/assets\/[^"]+\.js)"/.exec(html)?.[1];
  expect(script).toBeDefined();
  const sent = async (encoding: string) => {
    const answer = await page.request.get(`${address}${script}`, { headers: { 'Accept-Encoding': encoding } });
    expect(answer.status()).toBe(200);
    const headers = answer.headers();
    expect(headers['cache-control']).toContain('immutable');
    expect(headers['content-type']).toContain('javascript');
    return { as: headers['content-encoding'], length: Number(headers['content-length']), text: await answer.text() };
  };
  const [plain, gzip, brotli] = [await sent('identity'), await sent('gzip'), await sent('gzip, br')];
  expect([plain.as, gzip.as, brotli.as]).toEqual([undefined, 'gzip', 'br']);
  expect(gzip.length).toBeLessThan(plain.length / 2);
  expect(brotli.length).toBeLessThan(gzip.length);
  expect(gzip.text).toBe(plain.text);
  expect(brotli.text).toBe(plain.text);
  expect((await page.request.get(`${address}/assets/gone.js`)).status()).toBe(404);
});
