/** Looking into lists and maps where something is known to be: a wrong index fails there and then, not further on. */
export { floatAt, itemAt, knownOf, lastOf } from './itemAt';
