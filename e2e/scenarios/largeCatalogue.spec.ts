import { expect, test } from '../driver/test';

const PILOT = 'Ostrand Longshore, PILOT 1';
const DOOR = 'Front door, left';
/** Every speaker of the demo so many times, each a little deeper than the one before. */
const TIMES = 50;

/** Twenty thousand are put in order in seconds, or in a minute where others use the machine too. */
const IN_ORDER = { timeout: 100_000 };

type Part = { readonly kind: string; readonly id: string; readonly name: string; readonly mountingDepthMm?: number };

test('in a catalogue of thousands the verdicts follow the hand, and the order comes when it rests', async ({
  fitter,
}) => {
  const { page } = fitter;
  await page.route('**/api/catalogue/changes*', async (route) => {
    const answer = await route.fetch();
    const body: { readonly parts: readonly Part[] } = await answer.json();
    const more = body.parts
      .filter(({ kind }) => kind === 'speaker')
      .flatMap((part) =>
        Array.from({ length: TIMES }, (_, at) => ({
          ...part,
          id: `${part.id}-${at}`,
          name: `${part.name} ${at}`,
          mountingDepthMm: (part.mountingDepthMm ?? 0) + at * 0.2,
        })),
      );
    await route.fulfill({ response: answer, json: { ...body, parts: [...body.parts, ...more] } });
  });
  // The first of what clears come first, and the order of all a moment later.
  const others = page.getByText('more are being put in order');
  const firstLook = others.waitFor(IN_ORDER);
  await fitter.whatFits(PILOT, DOOR);
  await firstLook;
  await expect(others).toBeHidden(IN_ORDER);
  const list = page.getByRole('list', { name: 'Ranked speakers' });
  const clears = page.getByRole('button', { name: /clears$/ });
  const everybody = await list.getAttribute('data-count');
  const before = await clears.textContent();
  const toCome = page.getByText('more are put in order when nothing moves any more');
  const grip = page.getByRole('slider', { name: 'What if the depth behind were' });
  await grip.focus();
  let isMoving = true;
  const hand = (async () => {
    // To and fro: at the end of its way the grip would rest.
    for (let at = 0; isMoving; at++)
      await page.keyboard.press(at % 24 < 12 ? 'ArrowRight' : 'ArrowLeft', { delay: 20 });
  })();
  await expect(toCome).toBeVisible();
  await expect(clears).not.toHaveText(before ?? '');
  isMoving = false;
  await hand;
  await expect(toCome).toBeHidden(IN_ORDER);
  await expect(list).toHaveAttribute('data-count', everybody ?? '');
  // Nothing moves any more: the reasons of all the others are there too.
  await page.getByText('Why not the other').click();
  await expect(page.getByRole('button', { name: /at the (hole|front|bolts)/ }).first()).toBeVisible();
});
