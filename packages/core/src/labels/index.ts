export {
  type LabelPlace,
  type LabelSheet,
  labelPlaces,
  labelSheetSchema,
  PAPER_MM,
  requirePossible,
  SHEETS,
  type SheetName,
} from './labelSheet';
export {
  type Box,
  elementMm,
  LEAST_ELEMENT_MM,
  labelLayout,
  QUIET,
  SYMBOLS,
  type SymbolKind,
} from './labelSymbol';
