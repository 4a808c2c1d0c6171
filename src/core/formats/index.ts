export { importSvg, type ImportedDrawing, type ImportOptions, type ShapeFault } from './svg/importSvg';
export { MAX_DRAWING_BYTES } from './svg/readXml';
export { DEFAULT_ALLOWANCE_MM, planDocument, type PlanDocument, type PlanOptions } from './planDocument';
