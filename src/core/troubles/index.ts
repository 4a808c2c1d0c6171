export { TROUBLES, troublesAt, type Trouble, type TroubleMoment } from './troubles';
