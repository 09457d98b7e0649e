/** Parts over each other, to one scale: each in its own dashes, and with its letter. */
import type { BracketRecord, PartRecord, SpacerRecord, SpeakerRecord } from '@low-quarry/core/catalogue';
import { Drawing, usePen } from '../../../drawing/Drawing';
import { belowMm, sideOf } from '../figures/SpeakerDrawing';
import { Ellipse, HEIGHT_PX, Holes, MARGIN_MM, sizeOf } from '../figures/shapes';

export const LETTERS = ['A', 'B', 'C', 'D'] as const;

type Outline = SpacerRecord['inner'];
type Lettered<Part> = { readonly part: Part; readonly at: number };

/** Of the parts in their order, px. */
const DASHES = ['', '9 5', '2 3', '9 4 2 4'] as const;
const LINES = ['stroke-ink', 'stroke-action', 'stroke-ink', 'stroke-action'] as const;
const LETTER_PX = 14;

function dashesOf(at: number, px: number): string | undefined {
  const dashes = DASHES[at] as string;
  return dashes === ''
    ? undefined
    : dashes
        .split(' ')
        .map((each) => Number(each) * px)
        .join(' ');
}

/** A piece of a part's line, for where it is named. */
export function LineSample({ at }: { readonly at: number }) {
  return (
    <svg width={44} height={10} aria-hidden="true" className="inline-block">
      <line x1={0} x2={44} y1={5} y2={5} strokeWidth={1.6} strokeDasharray={dashesOf(at, 1)} className={LINES[at]} />
    </svg>
  );
}

/** @param parts of one kind; nothing is drawn of kinds without a shape */
export function ComparedDrawing({ parts }: { readonly parts: readonly PartRecord[] }) {
  const lettered = parts.map((part, at) => ({ part, at }));
  const speakers = lettered.filter((each): each is Lettered<SpeakerRecord> => each.part.kind === 'speaker');
  const plates = lettered.filter(
    (each): each is Lettered<BracketRecord | SpacerRecord> =>
      each.part.kind === 'bracket' || each.part.kind === 'spacer',
  );
  if (speakers.length > 0)
    return (
      <div className="grid gap-4 sm:grid-cols-2">
        <Fronts
          laid={speakers.map(({ part, at }) => ({
            ...{
              at,
              outside: part.flange ?? part.basket,
              inside: part.basket,
              outer: part.bolts,
              inner: null,
              shift: '',
            },
          }))}
          label="The speakers over each other from the front"
          caption="From the front, one centre: flange, cutout (thin) and screw holes"
        />
        <Sides speakers={speakers} />
      </div>
    );
  if (plates.length === 0) return null;
  return (
    <Fronts
      laid={plates.map(({ part, at }) =>
        part.kind === 'bracket'
          ? {
              ...{ at, outside: part.plate, inside: part.throat, outer: part.vehicleBolts, inner: part.speakerBolts },
              shift: `translate(${part.offsetXMm} ${-part.offsetYMm})`,
            }
          : { at, outside: part.outer, inside: part.inner, outer: null, inner: null, shift: '' },
      )}
      label="The parts over each other from the cabin"
      caption="From the cabin, on one centre of the vehicle’s side: outside, inside (thin) and holes"
    />
  );
}

/** What of a part is seen from the front; null for what it has not, or nobody knows. */
type Front = {
  readonly at: number;
  readonly outside: Outline | null;
  readonly inside: Outline | null;
  readonly outer: BracketRecord['speakerBolts'] | null;
  readonly inner: BracketRecord['speakerBolts'] | null;
  /** Of what is inside against what is outside. */
  readonly shift: string;
};
type FrontsProps = { readonly laid: readonly Front[]; readonly label: string; readonly caption: string };

function Fronts({ laid, label, caption }: FrontsProps) {
  const half = (axis: 0 | 1) => Math.max(1, ...laid.map(({ outside }) => sizeOf(outside)[axis] / 2)) + MARGIN_MM;
  const extent = { left: -half(0), right: half(0), top: -half(1), bottom: half(1) };
  return (
    <Drawing extent={extent} maxHeightPx={HEIGHT_PX} label={label} caption={caption}>
      {laid.map((front) => (
        <FrontLines key={front.at} {...front} />
      ))}
    </Drawing>
  );
}

function FrontLines({ at, outside, inside, outer, inner, shift }: Front) {
  const { px } = usePen();
  return (
    <g className={`fill-none ${LINES[at]}`}>
      {outside && <Ellipse outline={outside} width={1.8 * px} {...dashed(at, px)} />}
      {outer && <Holes pattern={outer} />}
      <g transform={shift || undefined}>
        {inside && <Ellipse outline={inside} width={1 * px} {...dashed(at, px)} />}
        {inner && <Holes pattern={inner} />}
      </g>
      {outside && <Letter at={at} outline={outside} />}
    </g>
  );
}

function dashed(at: number, px: number) {
  const dashes = dashesOf(at, px);
  return dashes === undefined ? {} : { dashes };
}

/** On its outside line, each at another place. */
function Letter({ at, outline }: { readonly at: number; readonly outline: Outline }) {
  const { px } = usePen();
  const [length, high] = sizeOf(outline);
  // Between the places where screw holes usually are.
  const angle = ((at * 4 + 1) * Math.PI) / 8;
  return (
    <text
      x={(length / 2) * Math.cos(angle)}
      y={(-high / 2) * Math.sin(angle)}
      fontSize={LETTER_PX * px}
      strokeWidth={4 * px}
      textAnchor="middle"
      dominantBaseline="middle"
      paintOrder="stroke"
      className="fill-ink stroke-paper font-bold"
    >
      {LETTERS[at]}
    </text>
  );
}

function Sides({ speakers }: { readonly speakers: readonly Lettered<SpeakerRecord>[] }) {
  const most = (of: (speaker: SpeakerRecord) => number) => Math.max(0, ...speakers.map(({ part }) => of(part)));
  const acrossMm = most((part) => sideOf(part).acrossMm);
  const frontMm = most(({ frontHeightMm, flangeThicknessMm }) => (frontHeightMm ?? 0) + (flangeThicknessMm ?? 0));
  const extent = {
    left: -frontMm - MARGIN_MM,
    right: most(belowMm) + MARGIN_MM,
    top: -acrossMm / 2 - MARGIN_MM,
    bottom: acrossMm / 2 + MARGIN_MM,
  };
  return (
    <Drawing
      extent={extent}
      maxHeightPx={HEIGHT_PX}
      label="The speakers over each other from the side"
      caption="From the side, the cabin to the left, on one metal: what stands in front (thin), flange, body, end of the magnet"
    >
      {speakers.map(({ part, at }) => (
        <SideLines key={part.id} speaker={part} at={at} />
      ))}
    </Drawing>
  );
}

function SideLines({ speaker, at }: { readonly speaker: SpeakerRecord; readonly at: number }) {
  const { px } = usePen();
  const { acrossMm, cutoutMm, undersideMm, body } = sideOf(speaker);
  const frontMm = speaker.frontHeightMm ?? 0;
  return (
    <g
      className={`fill-none ${LINES[at]}`}
      strokeWidth={1.6 * px}
      strokeDasharray={dashesOf(at, px)}
      transform={`translate(${-undersideMm})`}
    >
      <rect x={0} y={-acrossMm / 2} width={undersideMm} height={acrossMm} />
      {body && <path d={body} />}
      {frontMm > 0 && <rect x={-frontMm} y={-cutoutMm / 4} width={frontMm} height={cutoutMm / 2} strokeWidth={px} />}
    </g>
  );
}
