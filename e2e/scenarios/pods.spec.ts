/** A closed panel gets a pod: its contour from a drawing, what stays free, every check of the fit, and the files that it is built from. */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '../driver/test';

const JOB = 'Tollan Creel, MEND 5';
const WALL = 'Rear wall, left';

/** As another program draws a panel: its contour in millimetres, and other things around it. */
const DRAWING = [
  'import ezdxf, sys',
  'doc = ezdxf.new("R2010")',
  'doc.header["$INSUNITS"] = 4',
  'space = doc.modelspace()',
  'space.add_lwpolyline([(0,0,0,0,0),(320,0,0,0,0.2),(320,260,0,0,0),(0,260,0,0,0)], close=True)',
  'space.add_circle((160, 130), 20)',
  'doc.write(sys.stdout)',
].join('\n');

test('a pod on a closed panel is drawn, judged like an opening, and built from its files', async ({ fitter }) => {
  const { page } = fitter;
  await fitter.measure(JOB, WALL);
  const built = page.getByRole('combobox', { name: 'Built here to carry the speaker' });
  await built.selectOption('Pod');
  await page.getByRole('combobox', { name: 'Its base' }).selectOption('Follows the panel’s contour');

  // What is no drawing is said, and the contour stays.
  const file = page.getByLabel('Or from a drawing, DXF');
  await file.setInputFiles({ name: 'letter.dxf', mimeType: 'image/vnd.dxf', buffer: Buffer.from('Dear shop') });
  await expect(page.getByText('This is no DXF file: save the drawing as DXF, in text.')).toBeVisible();
  const dxf = execFileSync('/usr/bin/python3', ['-c', DRAWING]);
  await file.setInputFiles({ name: 'panel.dxf', mimeType: 'image/vnd.dxf', buffer: dxf });
  await expect(page.getByText(/^Read: .* 4 corners; .* 1 smaller closed line was left out\.$/)).toBeVisible();
  await expect(page.getByText(/l inside; the panel .* behind the middle of its face/)).toBeVisible();

  // Turned so far its face would go through the panel.
  const turned = page.getByLabel('Turned from straight out by, °');
  await turned.fill('60');
  await expect(page.getByText(/It cannot be built so: Turned by 60°.*at least 100 mm high/)).toBeVisible();
  await turned.fill('10');

  // Each thing that must stay free is looked for; the belt is in the way, then it is not.
  const free = page.getByRole('region', { name: 'What must stay free' });
  await expect(page.getByText(/Nobody looked where these are/)).toBeVisible();
  for (const [what, said] of [
    ['Airbag and its cover', 'Looked: none here'],
    ['Window crank, with a hand on it', 'Looked: none here'],
    ['Handle, lock and switches', 'Looked: none here'],
    ['Knee or leg, with the seat where it is used', 'Looked: none here'],
    ['Seat beside or in front, at its end', 'Looked: none here'],
    ['Pocket', 'Given up'],
    ['Belt, its reel and buckle', 'It is there'],
  ] as const)
    await free.getByRole('combobox', { name: what }).selectOption(said);
  await free.getByLabel('Given up by').fill('the owner, by telephone');
  await expect(page.getByText(/It stands .* too near, or in the way: belt/)).toBeVisible();
  await free.getByLabel('Its middle, to the right, mm').fill('260');
  await expect(page.getByText(/Nearest of what was measured: belt/)).toBeVisible();
  await page.getByLabel('Diameter of its hole, mm').fill('130');
  await fitter.save();
  await fitter.saved();

  await page.getByRole('link', { name: 'What fits here' }).click();
  await expect(fitter.ranked()).not.toHaveCount(0);
  await expect(fitter.check('Stays free')).toContainText('Nearest of what was measured: belt');
  await expect(fitter.check('Bolts')).toContainText('drilled to the speaker’s own pattern');
  await expect(page.getByText(/a pod is built on it: its holes stay, so the owner agrees first/).first()).toBeVisible();

  const [whole] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'All of it as STL' }).click(),
  ]);
  const checked = execFileSync('admesh', [await whole.path()]).toString();
  expect(checked).toMatch(/Total disconnected facets\s*:\s*0\s+0/);
  expect(readFileSync(await whole.path()).length).toBeGreaterThan(50_000);
  const face = page.getByRole('region', { name: 'The face of 15 mm' });
  await expect(face.getByText(/190 mm outside; .* pilots at most 11.2 mm deep/)).toBeVisible();
});
