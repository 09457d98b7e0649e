/**
 * A template as DXF (AC1021), in millimetres, for a router or a laser: what is cut, drilled, and only written are layers of their own. Its origin
 * is the middle of the piece.
 */
import { DxfWriter, type LayerFlags, point3d, Units } from '@tarikjabiri/dxf';
import type { EllipseMm } from '../geometry';
import { type Template, type TemplateWords, templateMarks } from '../template';

/** Colours by their numbers of the format: red, green, blue, white. */
const LAYERS = { CUT: 1, DRILL: 3, MARK: 5, TEXT: 7 } as const;
const NO_FLAGS: LayerFlags = 0;
/** Halves that differ by less are one radius, mm. */
const ROUND_MM = 1e-6;

export function dxfFile(template: Template, { title, side }: TemplateWords): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [name, colour] of Object.entries(LAYERS)) dxf.addLayer(name, colour, 'Continuous', NO_FLAGS);
  const { outside } = template;
  const place = ({ xMm, yMm }: { readonly xMm: number; readonly yMm: number }) =>
    point3d(xMm - outside.xMm, yMm - outside.yMm, 0);
  const on = (layerName: keyof typeof LAYERS) => ({ layerName });
  for (const mark of templateMarks(template)) {
    if (mark.kind === 'outline') addOutline(dxf, mark.ellipse, place(mark.ellipse));
    else if (mark.kind === 'hole') dxf.addCircle(place(mark.hole), mark.hole.diameterMm / 2, on('DRILL'));
    else if (mark.kind === 'line') dxf.addLine(place(mark.from), place(mark.to), on('MARK'));
    else dxf.addText(place(mark.at), mark.sizeMm, mark.words, on('TEXT'));
  }
  const below = -Math.max(outside.halfLengthMm, outside.halfWidthMm) - 10;
  for (const [at, line] of [title, side].entries())
    dxf.addText(point3d(-outside.halfLengthMm, below - 7 * at, 0), 4, line, on('TEXT'));
  return dxf.stringify();
}

function addOutline(
  dxf: DxfWriter,
  { halfLengthMm, halfWidthMm, angleRad }: EllipseMm,
  at: ReturnType<typeof point3d>,
) {
  const layer = { layerName: 'CUT' };
  if (Math.abs(halfLengthMm - halfWidthMm) < ROUND_MM) {
    dxf.addCircle(at, halfLengthMm, layer);
    return;
  }
  // The format has the longer half first.
  const isTurned = halfWidthMm > halfLengthMm;
  const [long, short] = isTurned ? [halfWidthMm, halfLengthMm] : [halfLengthMm, halfWidthMm];
  const turn = angleRad + (isTurned ? Math.PI / 2 : 0);
  const end = point3d(long * Math.cos(turn), long * Math.sin(turn), 0);
  dxf.addEllipse(at, end, short / long, 0, 2 * Math.PI, layer);
}
