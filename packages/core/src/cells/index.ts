/**
 * What stands in **cells**: text that people typed, or a spreadsheet holds, read into amounts, pieces, days and figures. What cannot be read is
 * told with what was read and what would do.
 */
export {
  type DecimalSign,
  decimalSignOf,
  isNothing,
  readAmount,
  readDays,
  readPieces,
  readStock,
  shown,
  spoiltNumber,
  tidyCell,
} from './cells';
export {
  bareCell,
  type ColumnUnit,
  decimalIn,
  LENGTH_UNITS,
  MASS_UNITS,
  type Rating,
  type ReadFigure,
  readLengthCell,
  readMassCell,
  readOutlineCell,
  readPowerCell,
} from './figureCells';
