/**
 * A template as DXF (AC1021), in millimetres, for a router or a laser: what is cut, drilled, and only written are layers of their own. Its origin
 * is the middle of the piece.
 */
import { DxfWriter, type LayerFlags, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { cutBore, type Edge, type Template, type TemplateWords, templateMarks } from '../template';

/**
 * Colours by their numbers of the format. A counterbore goes down from the speaker's side, a groove from the car's: how deep stands beside
 * each.
 */
const LAYERS = { CUT: 1, DRILL: 3, COUNTERBORE: 4, GROOVE: 6, MARK: 5, TEXT: 7 } as const;
const NO_FLAGS: LayerFlags = 0;
/** Halves that differ by less are one radius, mm. */
const ROUND_MM = 1e-6;

export function dxfFile(template: Template, { title, side }: TemplateWords): string {
  const dxf = newDxf();
  const { outside } = template;
  addTemplate(dxf, template, outside);
  const below = -Math.max(outside.halfLengthMm, outside.halfWidthMm) - 10;
  for (const [at, line] of [title, side].entries())
    dxf.addText(point3d(-outside.halfLengthMm, below - 7 * at, 0), 4, line, on('TEXT'));
  return dxf.stringify();
}

/**
 * A sheet with all pieces that are cut from it, its lower left corner the origin; the sheet's own edge is only written.
 *
 * @param pieces as they lie on it
 */
export function sheetDxf(
  { lengthMm, widthMm }: { readonly lengthMm: number; readonly widthMm: number },
  pieces: readonly { readonly template: Template; readonly words: string }[],
): string {
  const dxf = newDxf();
  const edge = [
    [0, 0],
    [lengthMm, 0],
    [lengthMm, widthMm],
    [0, widthMm],
  ] as const;
  for (const [at, [x, y]] of edge.entries()) {
    const [nextX, nextY] = edge[(at + 1) % edge.length] as readonly [number, number];
    dxf.addLine(point3d(x, y, 0), point3d(nextX, nextY, 0), on('MARK'));
  }
  for (const { template, words } of pieces) {
    addTemplate(dxf, template, { xMm: 0, yMm: 0 });
    const { xMm, yMm, halfLengthMm } = template.outside;
    dxf.addText(point3d(xMm - halfLengthMm / 2, yMm - 12, 0), 4, words, on('TEXT'));
  }
  return dxf.stringify();
}

const on = (layerName: keyof typeof LAYERS) => ({ layerName });

function newDxf(): DxfWriter {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [name, colour] of Object.entries(LAYERS)) dxf.addLayer(name, colour, 'Continuous', NO_FLAGS);
  return dxf;
}

type PlaceMm = { readonly xMm: number; readonly yMm: number };

/** @param origin the place of the template's frame that is the file's origin */
function addTemplate(dxf: DxfWriter, template: Template, origin: PlaceMm): void {
  const place = ({ xMm, yMm }: PlaceMm) => point3d(xMm - origin.xMm, yMm - origin.yMm, 0);
  for (const mark of templateMarks(template)) {
    if (mark.kind === 'outline') addOutline(dxf, mark.edge, origin);
    else if (mark.kind === 'hole') {
      const { diameterMm } = mark.hole;
      const sunk = cutBore(mark.hole);
      dxf.addCircle(place(mark.hole), diameterMm / 2, on('DRILL'));
      if (sunk) dxf.addCircle(place(mark.hole), sunk.diameterMm / 2, on('COUNTERBORE'));
    } else if (mark.kind === 'groove') {
      addClosed(dxf, mark.corners, origin, on('GROOVE'));
      const middle = meanOf(mark.corners);
      dxf.addText(place(middle), 2, `GROOVE ${mark.depthMm} mm deep, FACE TO THE CAR`, on('TEXT'));
    } else if (mark.kind === 'line') dxf.addLine(place(mark.from), place(mark.to), on('MARK'));
    else dxf.addText(place(mark.at), mark.sizeMm, mark.words, on('TEXT'));
  }
}

function addClosed(dxf: DxfWriter, corners: readonly PlaceMm[], origin: PlaceMm, layer: ReturnType<typeof on>): void {
  const vertices = corners.map(({ xMm, yMm }) => ({ point: point2d(xMm - origin.xMm, yMm - origin.yMm) }));
  dxf.addLWPolyline(vertices, { ...layer, flags: LWPolylineFlags.Closed });
}

function meanOf(corners: readonly PlaceMm[]): PlaceMm {
  const sum = (of: (place: PlaceMm) => number) => corners.reduce((all, each) => all + of(each), 0) / corners.length;
  return { xMm: sum(({ xMm }) => xMm), yMm: sum(({ yMm }) => yMm) };
}

function addOutline(dxf: DxfWriter, edge: Edge, origin: PlaceMm): void {
  const layer = on('CUT');
  if (edge.corners) {
    addClosed(dxf, edge.corners, origin, layer);
    return;
  }
  const { xMm, yMm, halfLengthMm, halfWidthMm, angleRad } = edge;
  const at = point3d(xMm - origin.xMm, yMm - origin.yMm, 0);
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
