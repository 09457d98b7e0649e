/** Photos over HTTP: what is kept of a picture, whose it is, and what becomes of it. exiftool says what is left in the files. */
import { execFileSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { BIN_DAYS } from '@low-quarry/core/contracts/jobs';
import type { Photo, Picture } from '@low-quarry/core/contracts/photos';
import { seededRandom } from '@low-quarry/core/math/seededRandom';
import { LONGEST_PX, SMALL_PX } from '@low-quarry/core/photo';
import sharp from 'sharp';
import { AppError } from '../../http/AppError';
import { runHere } from '../../tasks/here';
import { mutateBytes } from '../../testing/mutations';
import { asPerson, createTestApp, type Http, type TestApp } from '../../testing/testApp';
import type { BackupService } from '../backup/BackupService';
import { createRunners } from '../backup/runners';
import { cleanPicture } from './cleanPicture';
import { PictureFiles } from './PictureFiles';

const DAY_MS = 86_400_000;

let app: TestApp;
let dir: string;
let photoDir: string;
let pictures: PictureFiles;
/** The owner; a restore signs everybody out. */
let me: Http;
let jobId: string;
let openingId: string;
beforeAll(async () => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-photos-'));
  photoDir = path.join(dir, 'photos');
  app = await createTestApp({ backupDir: path.join(dir, 'backups'), photoDir });
  pictures = new PictureFiles(photoDir);
  me = app.http;
  jobId = (await app.jobNumber(1)).job.id;
  openingId = (await app.opening(1, 'frontDoorLow', 'left')).id;
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});

const paint = (width: number, height: number, background = '#884422') =>
  sharp({ create: { width, height, channels: 3, background } });
const send = (http: Http, bytes: Buffer, type = 'image/jpeg') =>
  http.post('/api/pictures').set('Content-Type', type).send(bytes);
const sent = async (bytes: Buffer): Promise<Picture> => (await send(me, bytes).expect(200)).body;
let colour = 0;
/** No two alike. */
const anyPicture = () =>
  paint(40, 30, `#${((++colour * 0x3f5ab7) & 0xffffff).toString(16).padStart(6, '0')}`)
    .jpeg()
    .toBuffer();
const subject = (more: object = {}) => ({ of: 'job', recordId: jobId, place: '', caption: '', marks: [], ...more });
const add = async (more: object = {}, http = me): Promise<Photo> => {
  const { hash } = await sent(await anyPicture());
  return (
    await http
      .post('/api/photos')
      .send(subject({ hash, ...more }))
      .expect(200)
  ).body;
};
const list = async (of: string, recordId: string): Promise<Photo[]> =>
  (await me.get('/api/photos').query({ of, recordId }).expect(200)).body.photos;

describe('what is kept of a picture', () => {
  /** As a telephone writes it, with exiftool: the place, whose device it is, a thumbnail of the whole, a remark. */
  function asTelephone(jpeg: Buffer, ...more: string[]): Buffer {
    const file = path.join(dir, 'telephone.jpg');
    const thumbnail = path.join(dir, 'thumbnail.jpg');
    writeFileSync(file, jpeg);
    writeFileSync(thumbnail, jpeg);
    const place = ['-GPSLatitude=51.05', '-GPSLatitudeRef=N', '-GPSLongitude=3.72', '-GPSLongitudeRef=E'];
    const device = ['-Make=Invented', '-Model=Telephone', '-SerialNumber=SN-0042', '-LensSerialNumber=LN-7'];
    const said = ['-XMP:Location=Backyard', '-IPTC:City=Nowhere', '-Comment=secret remark', '-Artist=Somebody'];
    execFileSync('exiftool', ['-q', '-overwrite_original', ...place, ...device, ...said, ...more, file]);
    execFileSync('exiftool', ['-q', '-overwrite_original', `-ThumbnailImage<=${thumbnail}`, file]);
    return readFileSync(file);
  }
  const tagsOf = (file: string): Record<string, unknown> =>
    JSON.parse(execFileSync('exiftool', ['-j', '-a', '-G1', '-u', file], { encoding: 'utf8' }))[0];

  test('by exiftool nothing is left in the file but the picture: no place, no serial number, no thumbnail, no remark', async () => {
    const telephone = asTelephone(await paint(1200, 900).jpeg().toBuffer());
    const before = path.join(dir, 'before.jpg');
    writeFileSync(before, telephone);
    const groups = (tags: object) => new Set(Object.keys(tags).map((tag) => tag.split(':')[0]));
    expect([...groups(tagsOf(before))]).toEqual(
      expect.arrayContaining(['GPS', 'IFD0', 'IFD1', 'ExifIFD', 'XMP-iptcCore', 'IPTC']),
    );
    const { hash } = await sent(telephone);
    for (const name of [`${hash}.jpg`, `${hash}.small.jpg`]) {
      await me.get(`/api/pictures/${hash}/small`).expect(200);
      const file = path.join(photoDir, hash.slice(0, 2), name);
      expect([...groups(tagsOf(file))].sort()).toEqual(['Composite', 'ExifTool', 'File', 'SourceFile', 'System']);
      expect(readFileSync(file).toString('latin1')).not.toMatch(
        /secret|Invented|SN-0042|LN-7|Backyard|Nowhere|Somebody/,
      );
    }
  });

  test.each([1, 2, 3, 4, 5, 6, 7, 8])('orientation %i of EXIF is turned upright', async (orientation) => {
    // Upright: red above, blue below, and green to the upper left.
    const upright = await sharp({ create: { width: 120, height: 80, channels: 3, background: '#ff0000' } })
      .composite([
        { input: await paint(120, 40, '#0000ff').png().toBuffer(), left: 0, top: 40 },
        { input: await paint(30, 20, '#00ff00').png().toBuffer(), left: 0, top: 0 },
      ])
      .png()
      .toBuffer();
    // What a camera writes: the pixels as its sensor has them, and how they are to be turned (EXIF 2.3, 4.6.4, tag 0x0112).
    const image = sharp(upright);
    if ([2, 4, 5, 7].includes(orientation)) image.flop();
    const turns = { 1: 0, 2: 0, 3: 180, 4: 180, 5: 270, 6: 270, 7: 90, 8: 90 } as const;
    const sensor = await sharp(await image.png().toBuffer())
      .rotate(turns[orientation as keyof typeof turns])
      .jpeg({ quality: 100, chromaSubsampling: '4:4:4' })
      .withMetadata({ orientation })
      .toBuffer();
    const { hash, widthPx, heightPx } = await sent(sensor);
    expect([widthPx, heightPx]).toEqual([120, 80]);
    const { data, info } = await sharp((await pictures.read(hash)) as Buffer)
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * 3, (y * info.width + x) * 3 + 3)];
    const brightest = (x: number, y: number) => ['red', 'green', 'blue'][at(x, y).indexOf(Math.max(...at(x, y)))];
    expect([brightest(8, 8), brightest(100, 10), brightest(60, 70)]).toEqual(['green', 'red', 'blue']);
  });

  test('a large one is made smaller, a transparent one gets paper behind it, and the same one twice is one file', async () => {
    const large = await sent(await paint(4000, 3000).jpeg().toBuffer());
    expect([large.widthPx, large.heightPx]).toEqual([LONGEST_PX, (LONGEST_PX * 3) / 4]);
    const transparent = await sharp({ create: { width: 10, height: 10, channels: 4, background: '#00000000' } })
      .png()
      .toBuffer();
    const onPaper = await sent(transparent);
    expect([
      ...(
        await sharp((await pictures.read(onPaper.hash)) as Buffer)
          .raw()
          .toBuffer()
      ).subarray(0, 3),
    ]).toEqual([255, 255, 255]);
    const before = (await pictures.list()).length;
    expect(await sent(transparent)).toEqual(onPaper);
    expect((await pictures.list()).length).toBe(before);
  });

  test('a small one is made for lists', async () => {
    const { hash } = await sent(await paint(1600, 800).webp().toBuffer());
    const { body } = await me.get(`/api/pictures/${hash}/small`).expect(200);
    const { width, height } = await sharp(body).metadata();
    expect([width, height]).toEqual([SMALL_PX, SMALL_PX / 2]);
  });

  test.each<[string, Buffer, RegExp]>([
    ['a program', Buffer.from('\x7fELF\x02\x01\x01'), /a program/],
    ['a page', Buffer.from('<!DOCTYPE html><script>alert(1)</script>'), /a page or a drawing/],
    [
      'a drawing with a program in it',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>'),
      /a page or/,
    ],
    ['a film', Buffer.from('\x00\x00\x00\x18ftypmp42'), /a film/],
    ['HEIC', Buffer.from('\x00\x00\x00\x18ftypheic'), /set the camera to JPEG/],
    ['GIF', Buffer.from('GIF89a'), /GIF/],
    ['nothing', Buffer.alloc(0), /no picture|empty/],
    ['text', Buffer.from('hello'), /no picture, whatever its name says/],
    ['JPEG that ends after its beginning', Buffer.from('\xff\xd8\xff\xe0\x00\x10JFIF', 'latin1'), /damaged/],
  ])('%s is refused in words that say what would do', async (_name, bytes, words) => {
    const { body } = await send(me, bytes).expect(422);
    expect(body.detail).toMatch(words);
  });

  test('a page behind a picture is not kept, and a picture that claims more pixels than any camera takes is not opened', async () => {
    const { hash } = await sent(Buffer.concat([await anyPicture(), Buffer.from('<script>alert(1)</script>')]));
    expect((await pictures.read(hash))?.includes('<script>')).toBe(false);
    const png = await paint(10, 10).png().toBuffer();
    png.writeUInt32BE(60_000, 16);
    png.writeUInt32BE(60_000, 20);
    await send(me, png).expect(422);
    const { body } = await send(me, Buffer.alloc(13 << 20, 1)).expect(413);
    expect(body.detail).toContain('12288 kB');
  });

  test('whatever bytes come: either a clean JPEG, or a refusal that says why', async () => {
    const random = seededRandom(14);
    const bases = await Promise.all([
      asTelephone(await paint(60, 40).jpeg().toBuffer()),
      paint(60, 40).png().toBuffer(),
      paint(60, 40).webp().toBuffer(),
    ]);
    let refused = 0;
    for (let tries = 0; tries < 600; tries++) {
      const bytes = mutateBytes(bases[tries % bases.length] as Buffer, random);
      try {
        const { jpeg } = await cleanPicture(bytes);
        expect((await sharp(jpeg).metadata()).format).toBe('jpeg');
        expect(jpeg.toString('latin1')).not.toMatch(/SN-0042|Backyard/);
      } catch (error) {
        if (!(error instanceof AppError)) throw error;
        refused++;
      }
    }
    expect(refused).toBeGreaterThan(50);
    expect(refused).toBeLessThan(590);
  });
});

describe('how a picture is sent out', () => {
  test('as a picture and as nothing else, to people of the shop only, and not kept for whoever comes next', async () => {
    const { hash } = await sent(await anyPicture());
    const { headers } = await me.get(`/api/pictures/${hash}`).expect(200).expect('Content-Type', 'image/jpeg');
    expect(headers).toMatchObject({
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'; sandbox",
      'cache-control': 'private, no-cache',
      etag: `"${hash}"`,
    });
    await me.get(`/api/pictures/${hash}`).set('If-None-Match', `"${hash}"`).expect(304);
    await app.browser().get(`/api/pictures/${hash}`).expect(401);
    await send(app.browser(), await anyPicture()).expect(401);
  });

  test('names that are none lead nowhere', async () => {
    for (const name of ['..%2F..%2Fetc%2Fpasswd', 'a'.repeat(64), 'A'.repeat(64), `${'a'.repeat(64)}.small`])
      await me.get(`/api/pictures/${name}`).expect(404);
  });

  test('one that is damaged on the disk is not sent out, and is counted as missing', async () => {
    const photo = await add();
    const file = path.join(photoDir, photo.hash.slice(0, 2), `${photo.hash}.jpg`);
    writeFileSync(file, readFileSync(file).subarray(0, 100));
    await me.get(`/api/pictures/${photo.hash}`).expect(404);
    rmSync(file);
    expect((await me.get('/api/photos/count').expect(200)).body.missing).toBe(1);
    await me.post(`/api/photos/${photo.id}/remove`).send({ version: 1 }).expect(200);
  });
});

test('sent again, one that was damaged on the disk is put right', async () => {
  const bytes = await anyPicture();
  const { hash } = await sent(bytes);
  const file = path.join(photoDir, hash.slice(0, 2), `${hash}.jpg`);
  writeFileSync(file, readFileSync(file).subarray(0, 100));
  await me.get(`/api/pictures/${hash}`).expect(404);
  expect((await sent(bytes)).hash).toBe(hash);
  await me.get(`/api/pictures/${hash}`).expect(200);
});

test('many at once are each answered, whatever is wrong with one of them', async () => {
  const bodies = await Promise.all([0, 1, 2, 3, 4].map((at) => (at === 2 ? Buffer.from('#!/bin/sh') : anyPicture())));
  const statuses = await Promise.all(bodies.map(async (bytes) => (await send(me, bytes)).status));
  expect(statuses).toEqual([200, 200, 422, 200, 200]);
});

test('a photo that cannot be read hides no other, and is counted', async () => {
  const { job } = await app.jobNumber(5);
  const [good, bad] = [await add({ recordId: job.id, caption: 'good' }), await add({ recordId: job.id })];
  await app.db.query(`UPDATE "photo" SET "marks" = '[{"kind": "blob"}]' WHERE "id" = $1`, [bad.id]);
  const { body } = await me.get('/api/photos').query({ of: 'job', recordId: job.id }).expect(200);
  expect(body.photos.map(({ id }: Photo) => id)).toEqual([good.id]);
  expect(body.unreadable).toBe(1);
  await app.db.query(`UPDATE "photo" SET "marks" = '[]' WHERE "id" = $1`, [bad.id]);
});

describe('photos of records', () => {
  test.each<[string, () => { of: string; recordId: string }]>([
    ['a job', () => ({ of: 'job', recordId: jobId })],
    ['an opening', () => ({ of: 'opening', recordId: openingId })],
    ['a vehicle', () => ({ of: 'vehicle', recordId: 'veh-corran-tern' })],
  ])('of %s are added by whoever works there, listed with it, and in the history', async (_name, subjectOf) => {
    const counter = await app.signedIn('Jory');
    const photo = await add({ ...subjectOf(), caption: 'A caption' }, counter);
    expect(photo).toMatchObject({ ...subjectOf(), addedBy: 'Jory', version: 1, widthPx: 40, heightPx: 30 });
    const { of, recordId } = subjectOf();
    expect((await list(of, recordId)).map(({ id }) => id)).toContain(photo.id);
    const { body } = await me.get('/api/history').query({ kind: 'photo', record: photo.id }).expect(200);
    expect(body.changes[0]).toMatchObject({ kind: 'photo', action: 'created', label: 'the photo “A caption”' });
  });

  test('a job’s list has those of its openings too', async () => {
    const photo = await add({ of: 'opening', recordId: openingId });
    expect((await list('job', jobId)).map(({ id }) => id)).toContain(photo.id);
  });

  test.each([
    ['no such record', { recordId: '00000000-0000-4000-8000-00000000dead' }, 404],
    ['no such picture', { hash: 'f'.repeat(64) }, 422],
    ['a mark outside the picture', { marks: [{ kind: 'circle', at: [1.2, 0.5], radius: 0.1 }] }, 400],
    ['a caption without end', { caption: 'x'.repeat(301) }, 400],
  ])('%s is refused', async (_name, more, status) => {
    const { hash } = await sent(await anyPicture());
    await me
      .post('/api/photos')
      .send(subject({ hash, ...more }))
      .expect(status);
  });

  test('caption and marks change by version, two at once do not overwrite each other, and the picture stays', async () => {
    const photo = await add();
    const marks = [{ kind: 'arrow', from: [0.1, 0.1], to: [0.5, 0.5] }];
    const put = (version: number, caption: string) =>
      me.put(`/api/photos/${photo.id}`).send({ version, caption, marks });
    const { body } = await put(1, 'first').expect(200);
    expect(body).toMatchObject({ version: 2, caption: 'first', marks, hash: photo.hash });
    const { body: conflict } = await put(1, 'second').expect(409);
    expect(conflict.current).toMatchObject({ caption: 'first' });
    const { body: history } = await me.get('/api/history').query({ kind: 'photo', record: photo.id }).expect(200);
    expect(history.changes.map(({ version }: { version: number }) => version)).toEqual([2, 1]);
  });

  test('sent twice because the answer was lost, it is one photo', async () => {
    const { hash } = await sent(await anyPicture());
    const key = '00000000-0000-4000-8000-0000000000aa';
    const once = () => me.post('/api/photos').set('Idempotency-Key', key).send(subject({ hash })).expect(200);
    expect((await once()).body).toEqual((await once()).body);
    expect((await list('job', jobId)).filter((each) => each.hash === hash)).toHaveLength(1);
  });
});

test('who signed for how the car came in, signed for its photos: they stay, and none is added', async () => {
  const { job } = await app.jobNumber(2);
  const baseline = { place: 'baseline', of: 'job', recordId: job.id };
  const before = await add({ ...baseline, caption: 'a dent' });
  const strokes = [[[10, 20]]];
  const signed = { ...job.baseline, signed: { by: 'Vet', at: '2026-03-02T10:00:00.000Z', strokes } };
  await me.put(`/api/jobs/${job.id}/baseline`).send({ version: job.version, baseline: signed }).expect(200);
  const { hash } = await sent(await anyPicture());
  const refused = [
    me.post('/api/photos').send(subject({ ...baseline, hash, place: 'baseline.horn' })),
    me.put(`/api/photos/${before.id}`).send({ version: 1, caption: 'no dent', marks: [] }),
    me.post(`/api/photos/${before.id}/remove`).send({ version: 1 }),
  ];
  for (const each of refused) {
    const { body } = await each.expect(422);
    expect(body.detail).toContain('Vet signed for how the car came in on 2026-03-02');
  }
  // What came later, or is of something else, is added to the job itself.
  await add({ of: 'job', recordId: job.id });
  expect((await list('job', job.id)).map(({ caption }) => caption)).toEqual(['a dent', '']);
});

describe('photos are as safe as the rest', () => {
  const pictureOf = (photo: Photo) => path.join(photoDir, photo.hash.slice(0, 2), `${photo.hash}.jpg`);

  test('a backup has their pictures, and a restore brings back one that was lost since', async () => {
    const lost = (await (app.backups as BackupService).make('asked')).picturesLeftOut;
    const photo = await add({ caption: 'in the backup' });
    const damaged = await add({ caption: 'damaged since' });
    const made = await (app.backups as BackupService).make('asked');
    expect(made.picturesLeftOut).toBe(lost);
    const bytes = readFileSync(pictureOf(photo));
    rmSync(pictureOf(photo));
    const without = await (app.backups as BackupService).make('asked');
    expect(without.picturesLeftOut).toBe(lost + 1);
    writeFileSync(pictureOf(damaged), 'x');
    await (app.backups as BackupService).restore(path.join(dir, 'backups', made.name));
    expect(readFileSync(pictureOf(photo)).equals(bytes)).toBe(true);
    expect(readFileSync(pictureOf(damaged)).length).toBeGreaterThan(10);
    me = await app.signedIn('Okke');
    const { body } = await me.get('/api/photos').query({ of: 'job', recordId: jobId }).expect(200);
    expect(body.photos.map(({ caption }: Photo) => caption)).toContain('in the backup');
    await me.get(`/api/pictures/${photo.hash}`).expect(200);
  });

  test('a picture that was exchanged in a backup is found before anything is touched', async () => {
    const photo = await add();
    const { name } = await (app.backups as BackupService).make('asked');
    const file = path.join(dir, 'backups', name);
    const bytes = readFileSync(file);
    const at = bytes.indexOf(readFileSync(pictureOf(photo)));
    bytes[at + 40] = (bytes[at + 40] as number) ^ 1;
    writeFileSync(file, bytes);
    await expect((app.backups as BackupService).restore(file)).rejects.toThrow(/jpg" is not as it was written/);
  });

  test('a shop file brings them into another shop, picture by picture; one that is another is refused', async () => {
    const owner = await app.signedIn('Okke');
    const file = JSON.parse((await owner.get('/api/export').expect(200)).text);
    const { photos } = file as { photos: (Photo & { bytes: number })[] };
    expect(photos.map(({ caption }) => caption)).toContain('in the backup');
    const elsewhere = path.join(dir, 'elsewhere');
    const other = await createTestApp({ empty: true, backupDir: path.join(dir, 'others'), photoDir: elsewhere });
    try {
      const own = { kind: 'own', shopName: 'Boathouse', name: 'Tamsin', password: 'three short words' };
      const begun = asPerson(other.http, (await other.http.post('/api/first-start').send(own).expect(200)).body.me);
      const [picture] = file.pictures;
      const bent = { ...file, pictures: [{ ...picture, base64: Buffer.from('another').toString('base64') }] };
      const { body } = await begun.post('/api/import').send(bent).expect(400);
      expect(body.errors).toEqual([{ path: 'pictures.0', message: expect.stringContaining('is not the picture') }]);
      expect(await new PictureFiles(elsewhere).list()).toEqual([]);
      await begun.post('/api/import').send(file).expect(200);
      const again = JSON.parse((await begun.get('/api/export').expect(200)).text);
      expect(again.photos).toEqual(file.photos);
      expect(again.pictures).toEqual(file.pictures);
    } finally {
      await other.drop();
    }
  });
});

test('readers of a folder that is not there yet, or has other files in it, find no pictures', async () => {
  const other = path.join(dir, 'other');
  expect(await new PictureFiles(other).list()).toEqual([]);
  mkdirSync(path.join(other, 'ab'), { recursive: true });
  writeFileSync(path.join(other, 'ab', 'notes.txt'), 'x');
  writeFileSync(path.join(other, 'stray.jpg'), 'x');
  expect(await new PictureFiles(other).list()).toEqual([]);
  expect(readdirSync(photoDir).length).toBeGreaterThan(0);
  // What a killed program left half written goes, and nothing else.
  writeFileSync(path.join(other, 'ab', `${'a'.repeat(64)}.jpg.0badcafe.partial`), 'x');
  await new PictureFiles(other).cleanUp();
  expect(readdirSync(path.join(other, 'ab'))).toEqual(['notes.txt']);
});

test('taken off, it is undone with its marks; after the bin’s days it is gone, and so is its picture', async () => {
  const photo = await add({ caption: 'to be taken off' });
  await me.post(`/api/photos/${photo.id}/remove`).send({ version: 1 }).expect(200);
  expect((await list('job', jobId)).map(({ id }) => id)).not.toContain(photo.id);
  const { body: undo } = await me.get('/api/undo').expect(200);
  const changeIds = undo.changes.map(({ id }: { id: number }) => id);
  await me.post('/api/undo').send({ changeIds }).expect(200);
  const [again] = (await list('job', jobId)).filter(({ id }) => id === photo.id);
  expect(again).toMatchObject({ caption: 'to be taken off', version: 3 });
  await me.post(`/api/photos/${photo.id}/remove`).send({ version: 3 }).expect(200);

  const file = path.join(photoDir, photo.hash.slice(0, 2), `${photo.hash}.jpg`);
  const longAgo = new Date(app.now().getTime() - 90 * DAY_MS);
  utimesSync(file, longAgo, longAgo);
  const { nightly } = createRunners({
    db: app.db,
    hold: app.hold,
    backups: { nightly: async () => ({ name: 'none', picturesLeftOut: 0 }) } as unknown as BackupService,
    pictures,
    appUrl: '',
    runBeside: runHere,
    now: app.now,
    newId: () => '00000000-0000-4000-8000-0000000000ab',
  });
  const night = () => nightly.run({ say: () => {}, signal: new AbortController().signal }, null);
  await night();
  expect(existsSync(file)).toBe(true);
  app.wait((BIN_DAYS + 1) * DAY_MS);
  await night();
  expect(existsSync(file)).toBe(false);
  const [purged] = (await (await app.signedIn('Okke')).get('/api/history').query({ kind: 'photo', record: photo.id }))
    .body.changes;
  expect(purged).toMatchObject({ action: 'purged', version: 5 });
});
