/**
 * Files of what is cut: a template as **PDF** at 1:1, as **DXF** for a router or a laser, as **STL** for a printer that prints in layers. Apart from
 * the templates themselves, because what writes them is large, and most screens cut nothing.
 */
export { type Contour, contourFromDxf } from './contourFromDxf';
export { dxfFile, sheetDxf } from './dxfFile';
export { housingStl } from './housingStl';
export { PAPERS, type PaperName, type PdfOptions, type PrinterScale, pdfFile, printerScale } from './pdfFile';
export { stlFile } from './stlFile';
