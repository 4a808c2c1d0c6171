export { counted } from './counted';
