export { writePdf } from './pdf';
export { type Printed, printJob } from './printing';
