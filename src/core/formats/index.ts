export { importSvg, type ImportedDrawing, type ImportOptions, type ShapeFault } from './svg/importSvg';
export { BLOCK_FORMAT, readBlockFile, writeBlockFile } from './blockFile';
export { importDrawing, type ImportedBlock } from './importDrawing';
export { outlinePath } from './outlinePath';
export { papersCsv, type PaperLine } from './papersCsv';
export { writeDxf } from './writeDxf';
export { writeSvg } from './writeSvg';
export { MAX_DRAWING_BYTES } from './svg/readXml';
export { DEFAULT_ALLOWANCE_MM, planDocument, type PlanDocument, type PlanOptions } from './planDocument';
