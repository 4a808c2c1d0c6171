export { remakeBlockTold, saveBlockTold, type Told } from './saving';
export { addVersion } from './addVersion';
export { workTouched, type Touched } from './touched';
