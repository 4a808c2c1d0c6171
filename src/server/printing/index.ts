export { blockPdf, paperPdf, stepsPdf, type StepsPrinted } from './printing';
