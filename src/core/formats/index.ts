export { importSvg, type ImportedDrawing, type ImportOptions, type ShapeFault } from './svg/importSvg';
export { readProjectBasting } from './readBasting';
export { readSewing } from './readSewing';
export { readBlockDocument, readBlockFile, writeBlockFile } from './blockFile';
export { importDrawing, type DrawingOptions, type ImportedBlock } from './importDrawing';
export { LIMITS } from './limits';
export { MOST_LOG_LINES, logCsv, type LogLine } from './logCsv';
export { orderCsv } from './orderCsv';
export { readShelfCsv, shelfCsv, type ReadShelf } from './shelfCsv';
export { readTable, type CellFault, type Table } from './readTable';
export {
  ROSTER_COLUMNS,
  matchColumns,
  readRoster,
  type ReadRoster,
  type RosterColumn,
  type RosterMatch,
  type RosterRow,
} from './rosterCsv';
export { papersCsv, type PaperLine } from './papersCsv';
export { writeDxf } from './writeDxf';
export { writeSvg } from './writeSvg';
export { MAX_DRAWING_BYTES } from './svg/readXml';
export { DEFAULT_ALLOWANCE_MM, planDocument, type PlanDocument, type PlanOptions } from './planDocument';
export {
  MOST_BLOCKS,
  PROJECT_FORMAT,
  readMarks,
  readProjectFile,
  readSetting,
  renameInSetting,
  writeProjectFile,
  type ProjectFile,
} from './projectFile';
