/** Channels as they are met, each with the word that it gets, and both sides of what decides it. */
import { describe, expect, test } from '@jest/globals';
import { plainLoad } from '../../testing/plainLoad';
import type { Channel } from './Channel';
import { levelDifference, levelOf } from './channelLevels';
import type { Before, ChannelLoad } from './channelNetwork';
import { judgeChannel } from './judgeChannel';

const CONFIDENCE = 0.975;

function load(fields: Partial<Omit<ChannelLoad, 'electrics'>> & { readonly ohm?: number | null }): ChannelLoad {
  const { ohm = 4, ...rest } = fields;
  return plainLoad({ rmsW: 50, ...rest }, { nominalOhm: ohm });
}
function channel(fields: Partial<Channel>): Channel {
  return {
    name: 'front left',
    band: 'full',
    leastOhm: 4,
    power: { watt: 25, rating: 'RMS', atOhm: 4 },
    isRadio: false,
    isNewSource: false,
    wire: null,
    boot: null,
    joined: 'parallel',
    loads: [load({})],
    ...fields,
  };
}
const words = (fields: Partial<Channel>) =>
  Object.fromEntries(judgeChannel(channel(fields), CONFIDENCE).map(({ id, verdict }) => [id, verdict]));
const said = (fields: Partial<Channel>, id: string) =>
  judgeChannel(channel(fields), CONFIDENCE).find((each) => each.id === id);

const CAPACITOR: Before = { kind: 'capacitor', farad: 4.7e-6 };
const tweeter = (fields: Parameters<typeof load>[0]) =>
  load({ label: 'Sail panel, left', kind: 'tweeter', isNew: false, rmsW: null, before: CAPACITOR, ...fields });

describe('load', () => {
  test('what is sold as 4 Ω is stood by what is sold to stand 4 Ω, and its doubt does not keep it from that', () => {
    const { verdict, margin, sentence } = said({}, 'load') ?? {};
    expect(verdict).toBe('clears');
    expect(margin?.ohm).toBeGreaterThan(margin?.expandedOhm ?? Number.POSITIVE_INFINITY);
    expect(sentence).toContain('a load sold as 4 Ω may come down to 3.2');
  });
  test('a pad in the line keeps the load what it was, and a resistor in the line raises it', () => {
    const of = (pad: { seriesOhm: number; parallelOhm: number | null } | null) =>
      said({ loads: [load({ line: pad && { highPass: null, lowPass: null, pad } })] }, 'load')?.margin?.ohm as number;
    expect(Math.abs(of({ seriesOhm: 2, parallelOhm: 3.9 }) - of(null))).toBeLessThan(0.3);
    expect(of({ seriesOhm: 2, parallelOhm: null }) - of(null)).toBeCloseTo(2, 0);
  });
  test.each([
    [[3], 4, 'hits'],
    [[4, 4], 4, 'hits'],
    [[4, 4], 2, 'clears'],
    [[8, 8], 4, 'clears'],
    [[8], 4, 'clears'],
    [[2], 2, 'clears'],
  ] as const)('%j Ω on a channel that stands %i: %s', (ohms, leastOhm, verdict) => {
    const loads = ohms.map((ohm, at) => load({ ohm, label: `place ${at}` }));
    expect(said({ loads, leastOhm }, 'load')?.verdict).toBe(verdict);
  });
  test('two of 2 Ω in series are stood where 4 are, and in parallel are not', () => {
    const loads = [load({ ohm: 2, label: 'a' }), load({ ohm: 2, label: 'b' })];
    expect(said({ loads, joined: 'series' }, 'load')?.verdict).toBe('clears');
    expect(said({ loads, joined: 'parallel' }, 'load')?.verdict).toBe('hits');
  });
  test('a tweeter behind its capacitor is no second load of 4 Ω; where nobody looked, looking is asked for', () => {
    const withCapacitor = said({ leastOhm: 3, loads: [load({ kind: 'component woofer' }), tweeter({})] }, 'load');
    expect(withCapacitor?.verdict).toBe('clears');
    const notLooked = said(
      { leastOhm: 3, loads: [load({ kind: 'component woofer' }), tweeter({ before: { kind: 'notLooked' } })] },
      'load',
    );
    expect(notLooked?.verdict).not.toBe('clears');
    expect(notLooked?.sentence).toMatch(/at the least/);
  });
  test.each([
    ['nobody says what it stands', { leastOhm: null }, /Nobody says what it stands/],
    ['nobody knows the old one’s ohms', { loads: [load({ ohm: null })] }, /is not known/],
    ['nobody noted what hangs on it', { loads: [] }, /Nobody noted/],
  ])('%s: measure first, with what to look at', (_name, fields, sentence) => {
    const answer = said(fields, 'load');
    expect(answer).toMatchObject({ verdict: 'measure', sentence: expect.stringMatching(sentence) });
    expect(answer?.settledBy).not.toBeNull();
  });
});

describe('band', () => {
  test.each([
    ['bass', 'coaxial', 'hold'],
    ['bass', 'component woofer', 'clears'],
    ['bass', 'tweeter', 'hold'],
    ['treble', 'tweeter', 'clears'],
    ['treble', 'coaxial', 'hold'],
    ['full', 'coaxial', 'clears'],
    ['full', 'tweeter', 'hold'],
    ['voices', 'full range', 'measure'],
    [null, 'coaxial', 'measure'],
  ] as const)('a channel of %s with a %s: %s', (band, kind, verdict) => {
    expect(words({ band, loads: [load({ kind })] }).band).toBe(verdict);
  });
  test('a tweeter behind a filter lives on a channel that carries everything', () => {
    expect(words({ loads: [load({ kind: 'tweeter', before: CAPACITOR })] }).band).toBe('clears');
  });
  test('a high-pass in its line keeps a tweeter alive; a pad alone does not', () => {
    const high = { capacitorUf: 4.7, coilMh: null };
    const pad = { seriesOhm: 2, parallelOhm: 3.9 };
    const bare = { kind: 'tweeter', before: { kind: 'nothing' } } as const;
    const nothing = { highPass: null, lowPass: null, pad: null };
    expect(words({ loads: [load({ ...bare, line: { ...nothing, highPass: high } })] }).band).toBe('clears');
    expect(words({ loads: [load({ ...bare, line: { ...nothing, pad } })] }).band).toBe('hold');
  });
  test('a high-pass in the line before a lead’s own capacitor is one too many', () => {
    const line = { highPass: { capacitorUf: 4.7, coilMh: null }, lowPass: null, pad: null };
    expect(said({ loads: [load({ kind: 'tweeter', before: CAPACITOR, line })] }, 'band')).toMatchObject({
      verdict: 'measure',
      sentence:
        'Two high-passes stand in series at Front door, left: what lies in its line lets pass from 8.5 kHz, its lead from 8.5 kHz, both together only from 17 kHz, into 4 Ω.',
      settledBy: expect.stringContaining('Leave one of them out'),
    });
    const unread = load({ kind: 'tweeter', before: { kind: 'capacitor', farad: null }, line });
    expect(said({ loads: [unread] }, 'band')?.sentence).toContain(
      'its lead from 4 kHz to 12 kHz, both together only from 12 kHz to 21 kHz, into 4 Ω. Nobody read the capacitor of its lead.',
    );
    const unmarked = load({ kind: 'tweeter', before: CAPACITOR, line, ohm: null });
    expect(said({ loads: [unmarked] }, 'band')?.sentence).toContain('together they take more than either says');
  });
  test('what nobody looked at may be a third, and the figure of two does not hide it', () => {
    const line = { highPass: { capacitorUf: 4.7, coilMh: null }, lowPass: null, pad: null };
    const set = { name: 'left', isOfSet: true, to: 'tweeter' } as const;
    const filter = { highPass: { hz: 3500, order: 1 }, lowPass: null } as const;
    const sentence = (fields: Parameters<typeof load>[0]) =>
      said({ loads: [load({ kind: 'tweeter', line, ...fields })] }, 'band')?.sentence;
    const lead = sentence({ before: { kind: 'notLooked' }, crossover: { ...set, filter } });
    expect(lead).toContain('both together only from 12 kHz, into 4 Ω. Whether its lead has one more nobody looked.');
    const crossover = sentence({ before: CAPACITOR, crossover: { ...set, filter: null } });
    expect(crossover).toContain('from 17 kHz, into 4 Ω. Whether the crossover has one more nobody looked.');
    expect(sentence({ before: CAPACITOR, crossover: { ...set, filter } })).toMatch(
      /^Three .* all three together only from 20 kHz, into 4 Ω\.$/,
    );
  });
  test('a coaxial beside the old tweeter doubles the treble; a woofer does not', () => {
    expect(said({ loads: [load({}), tweeter({})] }, 'band')).toMatchObject({
      verdict: 'measure',
      sentence: expect.stringMatching(/the treble comes twice/),
    });
    expect(words({ loads: [load({ kind: 'component woofer' }), tweeter({})] }).band).toBe('clears');
  });
});

describe('power', () => {
  test.each([
    [
      'half of what it stands',
      { power: { watt: 25, rating: 'RMS', atOhm: 4 } },
      'clears',
      /gets up to 25 W RMS and stands 50 W/,
    ],
    ['a little less', { power: { watt: 24, rating: 'RMS', atOhm: 4 } }, 'clears', /less than half/],
    ['all of it', { power: { watt: 50, rating: 'RMS', atOhm: 4 } }, 'clears', /stands 50 W/],
    ['more', { power: { watt: 51, rating: 'RMS', atOhm: 4 } }, 'measure', /51 W RMS/],
    ['a peak figure', { power: { watt: 50, rating: 'peak', atOhm: 4 } }, 'measure', /only RMS compares/],
    ['nobody says', { power: null }, 'measure', /Nobody says what power/],
    [
      'into 8 Ω a half',
      { power: { watt: 80, rating: 'RMS', atOhm: 4 }, loads: [load({ ohm: 8 })] },
      'clears',
      /40 W RMS/,
    ],
  ] as const)('%s', (_name, fields, verdict, sentence) => {
    expect(said(fields, 'power')).toMatchObject({ verdict, sentence: expect.stringMatching(sentence) });
  });
  test.each([
    [25, 'clears'],
    [26, 'measure'],
    [400, 'measure'],
  ] as const)(
    '%i W RMS from the radio itself, of which 14.4²/8 = 25.9 W are possible into 4 Ω: %s',
    (watt, verdict) => {
      const power = { watt, rating: 'RMS', atOhm: 4 } as const;
      expect(said({ power, isRadio: true }, 'power')?.verdict).toBe(verdict);
      expect(said({ power, isRadio: true, loads: [load({ rmsW: 500 })] }, 'power')?.verdict).toBe(verdict);
    },
  );
  test('what stays as it was is not compared', () => {
    expect(words({ power: null, loads: [load({ isNew: false })] }).power).toBe('clears');
  });
  test('what stays on a source that is new is compared as what is new', () => {
    const stays = load({ isNew: false, rmsW: null });
    expect(said({ isNewSource: true, loads: [stays] }, 'power')).toMatchObject({
      verdict: 'measure',
      sentence: expect.stringContaining('Nobody says how much RMS power'),
    });
    expect(words({ isNewSource: true, power: null, loads: [stays] }).power).toBe('measure');
    expect(words({ isNewSource: true, loads: [] }).power).toBe('clears');
  });
});

describe('wire', () => {
  const rms = (watt: number) => ({ watt, rating: 'RMS', atOhm: 4 }) as const;
  test.each([
    [80, null, 'clears'],
    [81, null, 'measure'],
    [81, 'factory', 'clears'],
    [120, 'factory', 'clears'],
    [121, 'factory', 'hold'],
    [121, null, 'hold'],
  ] as const)('%i W RMS of an amplifier, %s wire: %s', (watt, wire, verdict) => {
    expect(words({ power: rms(watt), wire }).wire).toBe(verdict);
  });
  test.each([
    ['open', 'clears'],
    ['connector', 'hold'],
    ['none', 'measure'],
    [null, 'measure'],
  ] as const)('new wire to a door whose boot is %s: %s', (boot, verdict) => {
    expect(words({ power: rms(200), wire: 'new', boot }).wire).toBe(verdict);
    expect(words({ power: rms(200), wire: 'new', boot, loads: [load({ isInDoor: false })] }).wire).toBe('clears');
    // What stays has new wire run to it, too, where what feeds it is new.
    const stays = { power: rms(200), wire: 'new', boot, loads: [load({ isNew: false })] } as const;
    expect(words({ ...stays, isNewSource: true }).wire).toBe(verdict);
    expect(words(stays).wire).toBe('clears');
  });
  test('nobody says its power: measure first, but of the radio itself no wire is too thin', () => {
    expect(words({ power: null }).wire).toBe('measure');
    expect(words({ power: { watt: 400, rating: 'peak', atOhm: null } }).wire).toBe('measure');
    expect(words({ power: { watt: 50, rating: 'peak', atOhm: null }, isRadio: true }).wire).toBe('clears');
  });
});

describe('level', () => {
  const at = (db: number, under: '1 W' | '2.83 V' | 'notStated', ohm = 4) => {
    const level = levelOf(load({ sensitivity: { db, at: under }, ohm }));
    if (!level) throw new Error('no level');
    return level;
  };
  test('90 dB at 1 W are 93 at 2.83 V into 4 Ω, and the same into 8', () => {
    expect(at(90, '1 W').db).toBeCloseTo(93.01, 2);
    expect(at(90, '1 W', 8).db).toBeCloseTo(90, 9);
    expect(at(90, '2.83 V').db).toBe(90);
  });
  test('where nobody says which, both lie within its doubt', () => {
    const { db, uncertaintyDb } = at(90, 'notStated');
    expect(db - Math.sqrt(3) * uncertaintyDb).toBeLessThan(90);
    expect(db + Math.sqrt(3) * uncertaintyDb).toBeGreaterThan(93.01);
  });
  test('a swapped difference is its negative', () => {
    const [a, b] = [at(90, '1 W'), at(88, '2.83 V')];
    expect(levelDifference(a, b).db).toBeCloseTo(-levelDifference(b, a).db, 12);
  });
  test('nothing is said of what nobody rated', () => {
    expect(levelOf(load({}))).toBeNull();
    expect(levelOf(load({ sensitivity: { db: 90, at: '1 W' }, ohm: null }))).toBeNull();
  });
});
