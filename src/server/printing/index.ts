export { blockPdf, paperPdf, stepsPdf } from './printing';
